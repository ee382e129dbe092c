import { titleOf } from '../support/told'
import { describe, expect, it } from 'vitest'
import {
  accessMinutes,
  caseOfJob,
  debrief,
  entries,
  figureOf,
  inspectionsOf,
  jobOfStand,
  makeCase,
  readCase,
  sightOf,
  softwareRun,
  standOf
} from '../../core/views/practice'
import { assess } from '../../core/paths'
import type { Act, KeptJob } from '../../core/record'
import { isFinding, isNumeric, type Reading, readingStructureFaults } from '../../core/readings'
import { partKindOf } from '../../core/sheet'
import { slotsOf } from '../../core/views/bench'
import { DEMO_SHEETS, PRACTICE_SHEETS } from '../../demo/workshop'
import { pictureOf } from '../../draw/practice/pictureOf'
import { randomEngine, stagedEngine } from '../support/engines'
import { read } from '../support/jobs'
import { changed, sheet } from '../support/sheets'

describe.each(PRACTICE_SHEETS)('what can be inspected on $name', (drive) => {
  const inspections = inspectionsOf(drive)

  it('has an id of its own, a part of the drive, minutes, and only what the core knows', () => {
    expect(new Set(inspections.map(({ id }) => id)).size).toBe(inspections.length)
    for (const inspection of inspections) {
      const { part, minutes, reads, findings } = inspection
      expect(partKindOf(drive, part)).not.toBeNull()
      expect(minutes).toBeGreaterThan(0)
      expect(titleOf(drive, inspection).length).toBeGreaterThan(3)
      for (const reading of reads)
        expect(
          readingStructureFaults(drive, { ...reading, ...(reading.notches === undefined ? { value: 1 } : {}) })
        ).toEqual([])
      for (const { target, finding } of findings) expect(isFinding(partKindOf(drive, target)!, finding)).toBe(true)
    }
  })
  it('takes off what stands in the way, each thing after what it needs, and nothing twice', () => {
    for (const { operations } of inspections) {
      expect(new Set(operations).size).toBe(operations.length)
      operations.forEach((id, i) =>
        drive
          .operations!.find((o) => o.id === id)!
          .requires.forEach((needed) => expect(operations.slice(0, i)).toContain(needed))
      )
      expect(accessMinutes(drive, operations, new Set(operations))).toBe(0)
    }
  })
  it('reads everything that a job has a place for, but what only a mechanic at the engine can', () => {
    const kinds = new Set(inspections.flatMap(({ reads }) => reads.map(({ kind }) => kind)))
    const wanted = new Set(slotsOf(drive).map(({ kind }) => kind))
    if (!drive.limits.some(({ kind }) => kind === 'padWear')) wanted.delete('padWear')
    expect([...wanted].filter((kind) => !kinds.has(kind))).toEqual([])
  })
  it('looks before the covers cost less than any behind them', () => {
    const cost = (kind: string) =>
      Math.min(
        ...inspections
          .filter((one) => one.kind === kind)
          .map(({ minutes, operations }) => minutes + accessMinutes(drive, operations, new Set()))
      )
    for (const outside of ['ask', 'scan', 'plug'].filter((kind) => inspections.some((one) => one.kind === kind)))
      for (const inside of ['rail', 'length', 'bench']) expect(cost(outside)).toBeLessThan(cost(inside))
  })
  it('what is entered as seen is a job that the core assesses without a fault', () => {
    const engine = makeCase(drive, 5, 31)
    const stand = standOf(
      engine,
      inspections.flatMap((one) => [
        { type: 'inspect' as const, inspection: one.id },
        ...entries(engine, one, standOf(engine, []))
      ])
    )
    const assessment = assess(jobOfStand(engine, stand.readings))
    expect(assessment.faults).toEqual([])
    expect(stand.readings.length).toBeGreaterThan(12)
  })
})

it('a sheet without operations hides nothing and costs only the looks', () => {
  const bare = changed(sheet('ardmere-a18'), (d) =>
    Object.assign(d, {
      operations: undefined,
      parts: undefined,
      waysIn: undefined,
      torques: undefined,
      cautions: undefined
    })
  )
  for (const { operations } of inspectionsOf(bare)) expect(operations).toEqual([])
})

describe('any engine that a workshop may have', () => {
  const engines = [
    ...([1, 2, 4] as const).map((cams) => [`${cams} cams`, randomEngine({ seed: 11, cams })] as const),
    ...(['chain', 'gears'] as const).map((by) => [`driven by ${by}`, stagedEngine(5, by)] as const),
    [
      'without operations and parts',
      changed(sheet('ardmere-a18'), (d) =>
        Object.assign(d, {
          operations: undefined,
          parts: undefined,
          alwaysRenewed: undefined,
          waysIn: undefined,
          torques: undefined,
          cautions: undefined
        })
      )
    ] as const
  ]
  it.each(engines)('%s: is drawn, looked at from end to end and judged', (_name, drive) => {
    const engine = makeCase(drive, 5, 3)
    for (const inspection of inspectionsOf(drive)) {
      const drawing = pictureOf(engine, inspection, { attempt: 0, turnedForward: true }, 10)
      const places =
        drawing?.shapes.flatMap((shape) =>
          shape.kind === 'path' ? [...shape.d.matchAll(/-?[\d.]+|NaN|Infinity/g)].map(Number) : [shape.x, shape.y]
        ) ?? []
      expect(places.every(Number.isFinite)).toBe(true)
    }
    const { score, calls } = debrief(engine, softwareRun(engine).moves)
    expect(score).toBeLessThan(30)
    expect(calls.length).toBeGreaterThan(2)
  })
})

describe('a job told as a case', () => {
  const at = '2026-11-24T08:00:00.000Z'
  const drive = sheet('ardmere-a18')
  const job: KeptJob = {
    vehicle: 'Pilot van 9',
    stand: 'Bay',
    complaint: 'Rattles.',
    openedBy: 'Maren',
    openedAt: at,
    sheet: drive,
    usage: { value: 150_000, unit: 'km' },
    school: 'on-evidence',
    corrections: null
  }
  const acts = (...readings: Reading[]): Act[] =>
    readings.map((reading, i) => ({ id: `r${i}`, type: 'read', by: 'Maren', at, reading }))
  const told = caseOfJob(
    job,
    acts(
      read.extension(16.5),
      read.length(160.8),
      read.groove('guide', 0.9),
      read.groove('arm', 0.4),
      read.play('phaser-in', 2.4),
      read.count('crank', 'cam-ex', 52),
      read.count('cam-ex', 'cam-in', 20),
      read.count('cam-in', 'crank', 54),
      read.found('guide', 'piece-missing', { count: 2 })
    ),
    'Van of a friend'
  )

  it('takes its readings for the truth, so that they are read again', () => {
    expect(told.truth.elongation!.main).toBeCloseTo(0.005, 3)
    expect(told.truth.wear!.guide).toBeCloseTo(0.9, 1)
    expect(told.truth.play!['phaser-in']).toBeCloseTo(2.4, 1)
    expect(told.truth.findings).toContainEqual({ target: 'guide', finding: 'piece-missing', count: 2 })
    for (const inspection of inspectionsOf(drive).filter(({ kind }) => kind === 'rail' || kind === 'phaser')) {
      const { figures } = sightOf(told, inspection, { attempt: 0, turnedForward: true })
      for (const [i, reading] of inspection.reads.entries())
        if (isNumeric(reading.kind))
          expect(Math.abs(figures[i]! - figureOf(told, reading, 0, { turnedForward: true }))).toBeLessThan(0.5)
    }
  })
  it('names nobody, is a file like any other, and is the same when it is told again', () => {
    expect(JSON.stringify(told)).not.toMatch(/Pilot van 9|Maren/)
    expect(readCase(JSON.parse(JSON.stringify(told))).faults).toEqual([])
    expect(told.title).toBe('Van of a friend')
  })
  it('a job with nothing read, and an engine that has no coordinates, cannot be told, and say why', () => {
    expect(() => caseOfJob(job, [], 'x')).toThrow('nothing-to-practise-on')
    const counted = DEMO_SHEETS.find(({ id }) => id === 'quillon-q40-counted')!
    expect(() =>
      caseOfJob({ ...job, sheet: counted }, acts({ kind: 'extension', tensioner: 'lifter', value: 9 }), 'x')
    ).toThrow('cannot-be-drawn')
  })
})
