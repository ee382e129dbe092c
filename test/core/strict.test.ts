import { assessed, faultWords } from '../support/told'
import { tellFaults } from '../../words/en'
import { describe, expect, it } from 'vitest'
import { assess } from '../../core/paths'
import { day, jsonFaults, listOf, moment, MOST_FAULTS, needed, num, schemaFaults, shape, text } from '../../core/check'
import {
  ACTS,
  actFaults,
  entryFaults,
  exportJob,
  foldActs,
  importJob,
  kindOf,
  lastOwn,
  readJob,
  type Act,
  type ActType
} from '../../core/record'
import { readMoves } from '../../core/views/practice'
import { partOf, type Reading, READING_KINDS, READING_SCHEMAS, readingStructureFaults } from '../../core/readings'
import { sheetFaults } from '../../core/drive'
import { DEMO_JOBS } from '../../demo/workshop'
import { before, jobOf, read } from '../support/jobs'
import { changeAtRandom } from '../support/changes'
import { SHEETS, sheet } from '../support/sheets'

const drive = sheet('ardmere-a18')
const by = { by: 'Maren', at: '2026-11-24T08:00:00.000Z' }
const took = (reading: unknown) => ({ ...by, id: 'x', type: 'read', reading })
/** Words that every object answers to. */
const WORDS = ['toString', 'constructor', '__proto__', 'hasOwnProperty', 'valueOf']
const parsed = (value: unknown): unknown => JSON.parse(JSON.stringify(value))

describe('words from outside', () => {
  it.each(WORDS)('%s names no method, finding, act, move, kind, part or hold', (word) => {
    const places = (value: unknown) => entryFaults(before(drive), value).map(({ place }) => place)
    expect(places(took({ ...read.groove('guide', 0.4), method: word }))).toEqual(['reading.method'])
    expect(places(took({ ...read.found('guide', 'sound'), finding: word }))).toEqual(['reading.finding'])
    expect(places(took({ ...read.groove('guide', 0.4), kind: word }))).toEqual(['reading.kind'])
    expect(places(took(read.groove(word, 0.4)))).toEqual(['reading.rail'])
    expect(places({ ...by, id: 'x', type: word })).toEqual(['type'])
    expect(places({ ...by, id: 'x', type: 'release', hold: word, reason: 'so' })).toEqual(['hold'])
    expect(places({ ...by, id: 'x', type: 'task', task: word, state: 'done' })).toEqual(['task'])
    expect(readMoves([{ type: word }], drive).faults.map(({ place }) => place)).toEqual(['moves[0].type'])
    expect(
      sheetFaults({ ...drive, rails: drive.rails.map((rail, i) => (i === 0 ? { ...rail, id: word } : rail)) })[0]!.place
    ).toBe('rails[0].id')
    expect(readJob(jobOf([{ ...read.groove('guide', 0.4), method: word }])).faults.map(({ place }) => place)).toEqual([
      'readings[0].method'
    ])
    expect(readJob({ ...jobOf([]), fitted: JSON.parse(`{"${word}": 1}`) as never }).faults).toHaveLength(1)
  })
  it('a method that is on no list is refused at its place, and left out of an estimate by name', () => {
    expect(entryFaults(before(drive), took({ ...read.groove('guide', 0.4), method: 'guess' }))).toMatchObject([
      { place: 'reading.method' }
    ])
    expect(assessed(readJob(jobOf([{ ...read.groove('guide', 0.4), method: 'guess' }])).job!).faults).toMatchObject([
      { index: 0, message: expect.stringMatching(/method "guess"/) }
    ])
  })
})

describe('unknown fields', () => {
  it.each<[string, (file: any) => void, string]>([
    ['in a sheet', (f) => (f.drive.colour = 'red'), 'drive.colour'],
    ['deep in a sheet', (f) => (f.drive.chains[0].counts[1].note = 1), 'drive.chains[0].counts[1].note'],
    ['in a job', (f) => (f.owner = 'x'), 'owner'],
    ['in a reading, though another kind has it', (f) => (f.readings[0].sprocket = 'cam-in'), 'readings[0].sprocket'],
    ['in what is known', (f) => (f.corrections = { skim: {}, heat: 1 }), 'corrections.heat']
  ])('are refused %s, with their place', (_name, change, place) => {
    const file = parsed(jobOf([read.groove('guide', 0.4)]))
    change(file)
    expect(faultWords(readJob(file))).toEqual([{ place, message: 'is no field that is known here: remove it' }])
  })
  it('are refused in every type of act', () => {
    for (const type of Object.keys(ACTS) as ActType[])
      expect(
        actFaults(before(drive), { ...by, id: 'x', type, extra: 1 }).map(({ place }) => place),
        type
      ).toContain('extra')
  })
  it('that an older version kept are left behind by an export, which can be taken in', () => {
    const { job, acts } = DEMO_JOBS[0]!
    const older = { ...job, sheet: { ...job.sheet, colour: 'red', engine: { ...job.sheet.engine, weight: 3 } } }
    const read0 = acts[0] as Extract<Act, { type: 'read' }>
    const file = parsed(
      exportJob(older as never, [
        { ...read0, mood: 'good', reading: { ...read0.reading, smell: 1 } } as never,
        ...acts.slice(1)
      ])
    )
    const back = importJob(file, { by: 'x', at: by.at, newId: () => 'n' })
    expect([back.faults, back.acts, back.job!.sheet]).toEqual([[], acts, job.sheet])
  })
})

describe('text, dates and bounds', () => {
  it.each(['a\0b', 'a\ud800b', '\udc00'])('%j is refused wherever it stands, with its place', (unfit) => {
    expect(schemaFaults(text(20), unfit, 'name')).toMatchObject([{ place: 'name' }])
    expect(entryFaults(before(drive), took({ ...read.groove('guide', 0.4), note: unfit }))).toMatchObject([
      { place: 'reading.note' }
    ])
    expect(readJob({ ...jobOf([]), drive: { ...drive, note: unfit } }).faults).toMatchObject([{ place: 'drive.note' }])
    expect(readJob({ ...jobOf([]), [unfit]: 1 } as never).faults.length).toBeGreaterThan(0)
  })
  it('a whole character of two halves is text like any other', () =>
    expect(schemaFaults(text(20), 'Möwe 🛥')).toEqual([]))
  it.each(['2026-02-30', '2026-13-01', '26-01-01', '0001-01-01', '9999-01-01', '2026-01-01T00:00:00Z', ''])(
    '%s is no day',
    (value) => expect(schemaFaults(day(), value)).toHaveLength(1)
  )
  it.each([
    '2026-11-24',
    '2026-02-30T08:00:00Z',
    '2026-11-24T25:00:00Z',
    'November 24, 2026',
    '1',
    '+050000-01-01T00:00:00Z',
    '2026-11-24T08:00'
  ])('%s is no moment', (value) => expect(schemaFaults(moment(), value)).toHaveLength(1))
  it('days and moments as programs write them are', () =>
    expect([
      schemaFaults(day(), '2024-02-29'),
      schemaFaults(moment(), '2026-11-24T08:00:00.123Z'),
      schemaFaults(moment(), '2026-11-24T08:00:00+01:00')
    ]).toEqual([[], [], []]))
  it('a list that is too long is refused for that alone, before anything in it is looked at', () => {
    let looked = 0
    const list = listOf(
      num(0, 1)
        .test('looked', 'no', () => (looked++, true))
        .required(needed),
      3
    )
    expect(schemaFaults(shape({ list }).required(), { list: Array.from({ length: 100_000 }, () => 'x') })).toEqual([
      { place: 'list', code: 'list-at-most', figures: { max: 3 } }
    ])
    expect(looked).toBe(0)
  })
  it(`no more than ${MOST_FAULTS} faults are told, however many there are`, () => {
    expect(readJob(jobOf(Array.from({ length: 4000 }, () => read.groove('ghost', 1)))).faults).toHaveLength(MOST_FAULTS)
    const file = parsed(exportJob(DEMO_JOBS[0]!.job, DEMO_JOBS[0]!.acts)) as { acts: unknown[] }
    file.acts = Array.from({ length: 3000 }, () => ({ type: 'nothing' }))
    expect(importJob(file, { by: 'x', at: by.at, newId: () => 'n' }).faults).toHaveLength(MOST_FAULTS)
  })
  it('what lies too deep is refused, at any depth, and nothing overflows', () => {
    let deep: unknown = 1
    for (let i = 0; i < 200_000; i++) deep = [deep]
    expect(tellFaults(jsonFaults(deep))).toMatchObject([{ message: expect.stringMatching(/too deep/) }])
    expect(readJob({ ...jobOf([]), drive: deep } as never).faults).toHaveLength(1)
    expect(actFaults(before(drive), { ...by, id: 'x', type: 'note', deep }).length).toBeGreaterThan(0)
  })
  it('operations that many ways lead to are looked through in a moment', () => {
    const operations = Array.from({ length: 100 }, (_, i) => ({
      id: `o${i}`,
      name: 'x',
      hours: 1,
      requires: Array.from({ length: Math.min(i, 40) }, (_unused, k) => `o${i - 1 - k}`)
    }))
    expect(
      sheetFaults({ ...drive, operations, parts: [], waysIn: [], torques: [], cautions: [], alwaysRenewed: [] })
    ).toEqual([])
  })
})

describe('a reading is one of its kind', () => {
  it('and says which part it is of in one way', () => {
    expect(
      [
        read.extension(1),
        read.groove('guide', 1),
        read.lag('cam-in', 1),
        read.count('crank', 'cam-in', 1),
        read.play('phaser-in', 1),
        read.found('oil', 'screen-torn')
      ].map(partOf)
    ).toEqual(['tensioner', 'guide', 'cam-in', 'main', 'phaser-in', 'oil'])
  })
  it.each(Object.keys(READING_SCHEMAS))('%s needs its part and its figure', (kind) => {
    const places = readingStructureFaults(drive, { kind }).map(({ place }) => place)
    const needs =
      kind === 'condition'
        ? ['target', 'finding']
        : [...READING_KINDS[kind as keyof typeof READING_KINDS].target, ...(kind === 'extension' ? [] : ['value'])]
    expect(new Set(places)).toEqual(new Set(needs))
  })
  it('an extension may be notches instead, but must be one of them', () => {
    expect(readingStructureFaults(drive, { kind: 'extension', tensioner: 'tensioner', notches: 3 })).toEqual([])
    expect(readingStructureFaults(drive, { kind: 'extension', tensioner: 'tensioner' })).toMatchObject([
      { place: 'value' }
    ])
  })
})

describe('acts', () => {
  const act = (id: string, more: object): Act => ({ ...by, id, ...more }) as Act
  it('are folded once, and on from there as the list grows', () => {
    const list: Act[] = [act('a', took(read.groove('guide', 0.4)))].map((one) => ({ ...one, id: 'a' }))
    const first = foldActs(list, 'weighed')
    expect(foldActs(list, 'weighed')).toBe(first)
    list.push(act('b', { type: 'waits', for: 'part' }))
    expect(foldActs(list, 'weighed').waits).toMatchObject({ id: 'b' })
    list.push(act('c', { type: 'undo', act: 'b' }))
    expect(foldActs(list, 'weighed').waits).toBeNull()
    expect(foldActs([...list], 'weighed')).toEqual(foldActs(list, 'weighed'))
  })
  it('each say whether they lock their job, who may, and what they are', () => {
    const locking = (Object.keys(ACTS) as ActType[]).filter((type) => kindOf(type).locks)
    expect(locking.sort()).toEqual(['choice', 'sheet', 'signoff', 'state', 'undo'])
    for (const [type, { who }] of Object.entries(ACTS))
      expect([['mechanic', 'foreman', 'customer'].includes(who), type === ACTS[type as ActType].type]).toEqual([
        true,
        true
      ])
  })
  it("taking back takes one's own, and pressed again the one before; what was signed stands", () => {
    const list = [
      act('1', { type: 'waits', for: 'part' }),
      act('2', { type: 'waits', for: 'customer' }),
      { ...act('3', { type: 'waits', for: 'part' }), by: 'Tove' } as Act,
      act('4', { type: 'choice' })
    ]
    const next = (acts: Act[]) => lastOwn(acts, foldActs(acts, 'weighed'), 'Maren')?.id ?? null
    expect(next(list)).toBe('2')
    expect(next([...list, act('u', { type: 'undo', act: '2' })])).toBe('1')
    expect(next([...list, act('u', { type: 'undo', act: '2' }), act('v', { type: 'undo', act: '1' })])).toBeNull()
  })
  it('twenty thousand of them are taken in, in time that grows with their number', () => {
    const chain = (n: number) =>
      Array.from({ length: n }, (_, i): Act =>
        act(`t${i}`, i === 0 ? { type: 'waits', for: 'part' } : { type: 'undo', act: `t${i - 1}` })
      )
    const file = (n: number) => parsed(exportJob({ ...DEMO_JOBS[0]!.job }, chain(n)))
    const taken = importJob(file(20_000), { by: 'x', at: by.at, newId: () => 'n' })
    expect([taken.faults, taken.acts.length]).toEqual([[], 20_000])
    expect(
      importJob(parsed({ ...(file(10) as object), acts: chain(20_001) }), { by: 'x', at: by.at, newId: () => 'n' })
        .faults
    ).toEqual([{ place: 'acts', code: 'list-at-most', figures: { max: 20_000 } }])
  })
  it('a job that moves between sheets without end is refused', () => {
    const moves: Act[] = Array.from({ length: 202 }, (_, i) =>
      act(`m${i}`, { type: 'sheet', sheet: drive, revision: i + 1 })
    )
    const file = { ...(parsed(exportJob(DEMO_JOBS[0]!.job, [])) as object), acts: moves, readings: [] }
    expect(importJob(file, { by: 'x', at: by.at, newId: () => 'n' }).faults[0]!.place).toBe('acts[200]')
  })
  it('every demo job survives export and import, whatever is done on it next', () => {
    for (const { job, acts } of DEMO_JOBS) {
      for (let n = 0; n <= acts.length; n += 3) {
        const list = acts.slice(0, n)
        const back = importJob(parsed(exportJob(job, list)), { by: 'x', at: by.at, newId: () => 'n' })
        expect([back.faults, back.acts]).toEqual([[], list])
        expect({ ...back.job, sheetRevision: 1 }).toEqual(job)
      }
    }
  })
})

describe('a sheet with anything in it changed', () => {
  it.each(SHEETS)('%s is refused with its place, or computed', (name) => {
    const text = JSON.stringify(sheet(name))
    for (let seed = 1; seed <= 250; seed++) {
      const changed = changeAtRandom(JSON.parse(text), seed)
      const faults = sheetFaults(changed)
      for (const fault of tellFaults(faults))
        expect(fault, `seed ${seed}`).toMatchObject({ place: expect.any(String), message: expect.stringMatching(/./) })
      if (faults.length === 0) expectComputed(changed as typeof drive, seed)
    }
  })
  it('of counts, without a link free, is refused: it once could not be computed', () => {
    const counted = sheet('quillon-q40-counted')
    const without = {
      ...counted,
      chains: counted.chains.map((chain) => ({ ...chain, counted: { ...chain.counted!, freeLinks: 0 } }))
    }
    expect(sheetFaults(without)[0]!.place).toMatch(/freeLinks/)
  })
  it('past the check all the same, is answered with a fault a reading, not an error', () => {
    const counted = sheet('quillon-q40-counted')
    const without = {
      ...counted,
      chains: counted.chains.map((chain) => ({ ...chain, counted: { freeLinks: 0, tight: {} } }))
    }
    const readings: Reading[] = [
      { kind: 'chainLength', chain: counted.chains[0]!.id, links: 10, value: 10 * counted.chains[0]!.pitch * 1.002 }
    ]
    const answer = () => assessed(jobOf(readings, { drive: without as never }))
    expect(answer).not.toThrow()
    expect(answer().faults).toMatchObject([{ index: 0, message: expect.stringMatching(/could not be computed/) }])
  })
})

function expectComputed(changed: typeof drive, seed: number): void {
  const readings = [
    ...changed.tensioners.map(({ id, stroke }): Reading => ({ kind: 'extension', tensioner: id, value: stroke / 2 })),
    ...changed.rails.map(({ id }): Reading => ({ kind: 'groove', rail: id, value: 0.5 }))
  ]
  const { chains } = assess(jobOf(readings, { drive: changed, school: seed % 2 ? 'weighed' : 'whole-set' }))
  for (const { elongation } of Object.values(chains))
    expect([elongation.mean, elongation.sd].every(Number.isFinite), `seed ${seed}`).toBe(true)
}

it('a list of millions where a sheet should be is refused in a moment, as are values without end', () => {
  expect(readJob({ ...jobOf([]), readings: Array.from({ length: 2_000_000 }, () => 0) } as never).faults).toEqual([
    { place: 'readings', code: 'list-at-most', figures: { max: 5000 } }
  ])
  expect(faultWords(readJob({ ...jobOf([]), drive: Array.from({ length: 5_000_001 }, () => 0) } as never))).toEqual([
    { place: 'drive', message: expect.stringMatching(/more than any file/) }
  ])
})
