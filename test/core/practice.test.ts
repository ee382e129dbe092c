import { faultWords } from '../support/told'
import { namesOf, sayCode, sayLesson, tellCase } from '../../words/en'
import type { Reading } from '../../core/readings'
import { createHash } from 'node:crypto'
import { describe, expect, it } from 'vitest'
import {
  CodeError,
  FAULTS,
  SEEDS,
  acceptable,
  caseCode,
  debrief,
  entries,
  inspectionsOf,
  knownOf,
  levelFor,
  makeCase,
  readCase,
  readCode,
  readMoves,
  scoreStand,
  seedWith,
  sightOf,
  softwareRun,
  solveCase,
  standOf,
  toTheMark,
  type Debriefing,
  type FaultId,
  type FaultSpec,
  type Level,
  type Move,
  type PracticeCase,
  type RunSummary,
  type SoftwareRun,
  weaknesses
} from '../../core/views/practice'
import type { Call } from '../../core/calls'
import { randomness } from '../../core/math'
import { PRACTICE_SHEETS } from '../../demo/workshop'

const sheet = (id: string) => PRACTICE_SHEETS.find((one) => one.id === id)!
const ardmere = sheet('ardmere-a18')

const lessons = ({ takeAlong, names }: Debriefing) =>
  takeAlong.map((lesson) => sayLesson(lesson, (part) => names[part] ?? part)).join(' ')
function refused(text: string): string {
  try {
    readCode(text, PRACTICE_SHEETS)
    return ''
  } catch (error) {
    return error instanceof CodeError ? sayCode(error.said) : String(error)
  }
}

describe('case codes', () => {
  it('say engine, level and seed, and are read back however they are written', () => {
    for (const seed of [0, 1, 31, 32, 12345, SEEDS - 1]) {
      const key = { sheet: 'vellora-v28', level: 4 as Level, seed, edition: 1 as const }
      expect(readCode(caseCode(key), PRACTICE_SHEETS)).toEqual(key)
      expect(readCode(` ${caseCode(key).toLowerCase().replace('-', ' ')} `, PRACTICE_SHEETS)).toEqual(key)
    }
  })
  it('letters that look like digits are taken as meant', () =>
    expect(
      readCode(
        caseCode({ sheet: ardmere.id, level: 1, seed: 33 })
          .replace('0', 'O')
          .replace(/1(?=.$)/, 'l'),
        PRACTICE_SHEETS
      ).seed
    ).toBe(33))
  it('a slip of the pen is caught, every single one and every swap of neighbours', () => {
    const code = caseCode({ sheet: ardmere.id, level: 3, seed: 7_654_321 })
    for (let i = 3; i < code.length; i++) {
      for (const digit of '0123456789ABCDEFGHJKMNPQRSTVWXYZ')
        if (digit !== code[i])
          expect(() => readCode(code.slice(0, i) + digit + code.slice(i + 1), PRACTICE_SHEETS)).toThrow(CodeError)
      if (i > 3 && code[i] !== code[i - 1])
        expect(() =>
          readCode(code.slice(0, i - 1) + code[i] + code[i - 1] + code.slice(i + 1), PRACTICE_SHEETS)
        ).toThrow(/slip|no case code/)
    }
  })
  it.each(['', 'A3', 'Z3-7KQ2MD', 'A9-7KQ2MD', 'A3-7KQ2MDX', '<script>'])(
    '%j is no code, and says how one is written',
    (text) => expect(refused(text)).toMatch(/A3-7KQ2MD/)
  )
})

describe('engines drawn by seed', () => {
  /** Engines whose codes were shared already; what came later stands behind them. */
  const SHARED = PRACTICE_SHEETS.slice(0, 5)
  it('are the same on every machine, to the last digit', () => {
    const drawn = SHARED.flatMap((one) => ([1, 2, 3, 4, 5] as const).map((level) => makeCase(one, level, 4711)))
    expect(drawn).toEqual(
      SHARED.flatMap((one) => ([1, 2, 3, 4, 5] as const).map((level) => makeCase(one, level, 4711)))
    )
    const told = drawn
      .map(tellCase)
      .map(({ code, complaint, start, usage, truth }) => ({ code, complaint, start, usage, truth }))
    // Whoever changes this changes every code ever shared: the digest is of what all machines must agree on.
    expect(createHash('sha256').update(JSON.stringify(told)).digest('hex').slice(0, 16)).toBe('aa83fa8ec992e9df')
  })
  it('of the second edition are the same on every machine too, and their codes say so', () => {
    const drawn = PRACTICE_SHEETS.flatMap((one) => ([1, 3, 5] as const).map((level) => makeCase(one, level, 4711, 2)))
    const told = drawn
      .map(tellCase)
      .map(({ code, complaint, start, usage, truth }) => ({ code, complaint, start, usage, truth }))
    expect(createHash('sha256').update(JSON.stringify(told)).digest('hex').slice(0, 16)).toBe('3d725a9bc9a06ccf')
    for (const { code, drive, level, seed } of drawn) {
      expect(code[2]).toBe('B')
      expect(readCode(code.toLowerCase(), PRACTICE_SHEETS)).toEqual({ sheet: drive.id, level, seed, edition: 2 })
    }
  })
  it('of the first edition hold nothing that came later', () => {
    const later = new Set((Object.keys(FAULTS) as FaultId[]).filter((id) => (FAULTS[id] as FaultSpec).since === 2))
    const struck = (edition: 1 | 2) =>
      PRACTICE_SHEETS.flatMap((one) =>
        Array.from({ length: 12 }, (_, seed) => makeCase(one, 4, seed, edition).truth.faults)
      ).flat()
    expect(struck(1).filter((id) => later.has(id as FaultId))).toEqual([])
    expect(struck(2).filter((id) => later.has(id as FaultId)).length).toBeGreaterThan(10)
  })
  it('level by level hold as many faults and traps as they say, no two of one part', () => {
    for (let seed = 0; seed < 60; seed++) {
      const level = (1 + (seed % 5)) as Level
      const { truth } = makeCase(PRACTICE_SHEETS[seed % 5]!, level, seed)
      const specs = truth.faults.map((id): FaultSpec => FAULTS[id as FaultId])
      expect(specs.filter(({ trap }) => !trap).length).toBeGreaterThanOrEqual(level > 3 ? 2 : 1)
      expect(specs.filter(({ trap }) => trap).length).toBeLessThanOrEqual(level === 1 ? 0 : 2)
      expect(specs.every(({ from }) => from <= level)).toBe(true)
      expect(new Set(specs.map(({ group }) => group)).size).toBe(specs.length)
    }
  })
  it.each(Object.keys(FAULTS) as FaultId[])(
    '%s comes up on every engine it fits, is there to be seen, and asks for something to be done',
    (id) => {
      const spec: FaultSpec = FAULTS[id]
      for (const one of PRACTICE_SHEETS.filter((s) => spec.fits(s))) {
        const seed = seedWith(one, Math.max(3, spec.from) as Level, id, 0, spec.since)!
        const engine = makeCase(one, Math.max(3, spec.from) as Level, seed, spec.since)
        expect(engine.truth.faults).toContain(id)
        const { calls } = knownOf(engine)
        if (!spec.trap) expect(calls.some(({ call }) => call !== 'back-in')).toBe(true)
        for (const { target, finding, value, cylinder } of engine.truth.findings) {
          const sights = inspectionsOf(one).map((inspection) => ({
            inspection,
            ...sightOf(engine, inspection, { attempt: 0, turnedForward: true })
          }))
          const shown = sights.flatMap(({ inspection, figures, findings }) => [
            ...findings,
            ...inspection.reads.flatMap((asked, i) =>
              asked.kind === 'condition'
                ? [{ target: asked.target, finding: asked.finding, cylinder: asked.cylinder, value: figures[i] }]
                : []
            )
          ])
          if (!/slack-stays|snaps-back/.test(finding))
            expect(shown).toContainEqual(
              expect.objectContaining({ target, finding, ...(value === undefined ? {} : { value, cylinder }) })
            )
        }
      }
    }
  )
  it('a chain within its limits goes back in, one past it is renewed with what rides on it', () => {
    const stretched = makeCase(ardmere, 1, seedWith(ardmere, 1, 'stretched', 0)!)
    expect(Object.fromEntries(knownOf(stretched).calls.map(({ part, call }) => [part, call]))).toMatchObject({
      main: 'renew',
      guide: 'renew',
      arm: 'renew',
      tensioner: 'renew',
      crank: 'renew'
    })
    const pin = makeCase(ardmere, 1, seedWith(ardmere, 1, 'lock-pin', 0)!)
    expect(
      knownOf(pin)
        .calls.filter(({ call }) => call !== 'back-in')
        .map(({ call }) => call)
    ).toEqual(['look-closer'])
  })
})

describe('the stand', () => {
  const engine = makeCase(ardmere, 2, seedWith(ardmere, 2, 'kick-back', 0)!)
  const at = (...moves: Move[]) => standOf(engine, moves)
  const marks = 'marks:cam-ex'

  it('covers cost their minutes once, a look every time', () => {
    const once = at({ type: 'inspect', inspection: 'rail:guide' })
    const twice = at({ type: 'inspect', inspection: 'rail:guide' }, { type: 'inspect', inspection: 'rail:guide' })
    expect(once.access).toBeGreaterThan(100)
    expect(twice.access).toBe(once.access)
    expect(twice.looking).toBe(2 * once.looking)
  })
  it('nothing is written down before it was looked at, and the last entry of one thing stands', () => {
    const read = (value: number): Move => ({
      type: 'read',
      inspection: 'rail:guide',
      reading: { kind: 'groove', rail: 'guide', value }
    })
    expect(at(read(0.4)).readings).toHaveLength(0)
    const { readings } = at({ type: 'inspect', inspection: 'rail:guide' }, read(0.4), read(0.5))
    expect(readings.map(({ reading }) => reading.value)).toEqual([0.5])
  })
  it('kick-back shifts a cam until the engine was turned forward far enough; turning back undoes that', () => {
    const look: Move = { type: 'inspect', inspection: marks }
    const read: Move = { type: 'read', inspection: marks, reading: { kind: 'camLag', sprocket: 'cam-ex', value: 1 } }
    const last = (...moves: Move[]) => at(...moves, look, read).readings[0]!
    expect(last().reading.turnedForward).toBe(false)
    expect(last({ type: 'turn', degrees: 10 }).turnedForward).toBe(false)
    expect(last({ type: 'turn', degrees: 10 }, { type: 'turn', degrees: 15 }).turnedForward).toBe(true)
    expect(last({ type: 'turn', degrees: 30 }, { type: 'turn', degrees: -5 })).toMatchObject({ turnedForward: false })
    const inspection = inspectionsOf(ardmere).find(({ id }) => id === marks)!
    const [still, turned] = [false, true].map(
      (turnedForward) => sightOf(engine, inspection, { attempt: 0, turnedForward }).figures[0]!
    )
    expect(turned! - still!).toBeCloseTo(engine.truth.kickBack, 1)
  })
  it("looking again shows the same engine with another hand's noise", () => {
    const inspection = inspectionsOf(ardmere).find(({ id }) => id === 'extension:tensioner')!
    const look = (attempt: number) => sightOf(engine, inspection, { attempt, turnedForward: true }).figures[0]!
    expect(look(0)).toBe(look(0))
    expect(new Set([0, 1, 2, 3, 4].map(look)).size).toBeGreaterThan(2)
    expect(Math.max(...[0, 1, 2, 3, 4].map(look)) - Math.min(...[0, 1, 2, 3, 4].map(look))).toBeLessThan(3)
  })
  it('moves that name nothing on this engine change nothing', () => {
    expect(at({ type: 'inspect', inspection: 'rail:nowhere' })).toEqual(at())
  })
})

/** Calls as moves, with the renewals they put on the bill. */
const callMoves = (calls: readonly { part: string; call: Call; renew?: boolean }[]): Move[] =>
  calls.flatMap(({ part, call, renew = call === 'renew' }): Move[] => [
    { type: 'call', part, call },
    ...(renew ? [{ type: 'renew', part, on: true } as Move] : [])
  ])
const careful = (run: SoftwareRun): Move[] => [
  ...run.moves,
  ...callMoves(
    run.calls.map(({ part, call, reasons }) => ({
      part,
      call,
      renew: reasons.some((reason) => reason.call === 'renew')
    }))
  )
]

describe('the score', () => {
  it('is not had by guessing: over 100 seeds a careful learner and guessers of every kind end far apart', () => {
    const scores: Record<'careful' | 'random' | 'renews all' | 'keeps all' | 'looks and guesses', number[]> = {
      careful: [],
      random: [],
      'renews all': [],
      'keeps all': [],
      'looks and guesses': []
    }
    const cheap = ['ardmere-a18', 'quillon-q40', 'hexley-h46', 'torvane-d26'].map(sheet)
    for (let seed = 0; seed < 100; seed++) {
      const engine = makeCase(cheap[seed % 4]!, (1 + (seed % 5)) as Level, 9000 + seed)
      const solution = solveCase(engine)
      const run = solution.software
      const { pick } = randomness(seed + 1)
      const parts = run.calls.map(({ part }) => part)
      const random = () =>
        callMoves(parts.map((part) => ({ part, call: pick(['back-in', 'renew', 'look-closer', 'stop'] as const) })))
      const score = (moves: Move[]) => scoreStand(standOf(engine, moves), solution).score
      scores.careful.push(score(careful(run)))
      scores.random.push(score(random()))
      scores['renews all'].push(score(callMoves(parts.map((part) => ({ part, call: 'renew' })))))
      scores['keeps all'].push(score(callMoves(parts.map((part) => ({ part, call: 'back-in' })))))
      scores['looks and guesses'].push(score([...run.moves, ...random()]))
    }
    const at = (list: number[], part: number) => list.toSorted((a, b) => a - b)[Math.floor(part * (list.length - 1))]!
    expect(at(scores.careful, 0.5)).toBeGreaterThan(90)
    expect(at(scores.careful, 0.1)).toBeGreaterThan(75)
    for (const guess of ['random', 'renews all', 'keeps all'] as const) expect(at(scores[guess], 0.95)).toBeLessThan(20)
    expect(at(scores['looks and guesses'], 0.9)).toBeLessThan(60)
    expect(at(scores['looks and guesses'], 0.5)).toBeLessThan(45)
  })

  const engine = makeCase(ardmere, 3, seedWith(ardmere, 3, 'rail-broken', 0)!)
  const solution = solveCase(engine)
  const run = solution.software

  it('a right call that rests on nothing counts for little', () => {
    const right = callMoves(
      knownOf(engine).calls.map((call) => ({
        part: call.part,
        call: call.call,
        renew: acceptable(call).includes('renew')
      }))
    )
    const [grounded, guessed] = [debrief(engine, [...run.moves, ...right], solution), debrief(engine, right, solution)]
    expect(grounded.score).toBeGreaterThan(90)
    expect(guessed.score).toBeLessThan(25)
    expect(lessons(guessed)).toMatch(/nothing was read that it rests on|Every missing piece/)
  })
  it('tells what was wrong, found or missed, and takes two or three things along', () => {
    const well = debrief(engine, careful(run), solution)
    expect(well.wrong.find(({ id }) => id === 'rail-broken')).toMatchObject({ missed: false })
    const badly = debrief(engine, callMoves(run.calls.map(({ part }) => ({ part, call: 'back-in' }))), solution)
    expect(badly.wrong.find(({ id }) => id === 'rail-broken')).toMatchObject({ missed: true })
    expect(lessons(badly)).toMatch(/Every missing piece/)
    expect(badly.takeAlong.length).toBeGreaterThan(1)
    expect(badly.takeAlong.length).toBeLessThanOrEqual(3)
  })
  it('of a call that went wrong it names the look that would have told', () => {
    const cracked = makeCase(ardmere, 1, seedWith(ardmere, 1, 'rail-cracked', 0)!)
    const rail = cracked.truth.findings.find(({ finding }) => finding === 'cracked')!.target
    const { takeAlong } = debrief(cracked, callMoves([{ part: rail, call: 'back-in' }]))
    expect(takeAlong.map((lesson) => sayLesson(lesson, namesOf(cracked.drive))).join(' ')).toContain(
      `${ardmere.rails.find(({ id }) => id === rail)!.name} would have told`
    )
  })
  it('what is condemned and stays is paid later, what is sound and goes is paid now', () => {
    const kept = debrief(engine, callMoves(run.calls.map(({ part }) => ({ part, call: 'back-in' }))), solution)
    expect(kept.bill.yours.later).toBeGreaterThan(500)
    const all = debrief(
      engine,
      callMoves(run.calls.map(({ part, call }) => ({ part, call: call === 'stop' ? call : 'renew', renew: true }))),
      solution
    )
    expect(all.bill.yours.later).toBe(0)
    expect(all.bill.yours.now).toBeGreaterThan(kept.bill.yours.now)
  })
  it('an engine started on a hold that nobody saw costs what a failure breaks', () => {
    const jumped = makeCase(ardmere, 1, seedWith(ardmere, 1, 'jumped-late', 0)!)
    const went = solveCase(jumped)
    const later = (call: Call) =>
      debrief(
        jumped,
        callMoves(
          knownOf(jumped).calls.map(({ part, call: right }) => ({ part, call: right === 'stop' ? call : right }))
        ),
        went
      ).bill.yours.later
    expect(later('stop')).toBe(0)
    expect(later('back-in')).toBeGreaterThan(2000)
  })
  it('each entry is weighed: what it cost, what was there, what it changed; a misread one is named', () => {
    const inspection = inspectionsOf(ardmere).find(({ kind }) => kind === 'length')!
    const looked: Move[] = [{ type: 'inspect', inspection: inspection.id }]
    const sight = sightOf(engine, inspection, { attempt: 0, turnedForward: false }).figures[0]!
    const read = (value: number) =>
      debrief(
        engine,
        [
          ...looked,
          { type: 'read', inspection: inspection.id, reading: { ...inspection.reads[0]!, value } as Reading }
        ],
        solution
      ).readings[0]!
    expect(read(sight)).toMatchObject({ misread: false, minutes: inspection.minutes })
    expect(read(sight).narrowed!.to).toBeLessThan(read(sight).narrowed!.from / 3)
    expect(read(sight + 1)).toMatchObject({ misread: true })
    expect(
      lessons(
        debrief(
          engine,
          [
            ...looked,
            {
              type: 'read',
              inspection: inspection.id,
              reading: { ...inspection.reads[0]!, value: sight + 1 } as Reading
            }
          ],
          solution
        )
      )
    ).toMatch(/Look twice/)
  })
  it('traps walked into are told: read before it was turned forward, read half a turn away, turned back', () => {
    const trapped = makeCase(ardmere, 2, seedWith(ardmere, 2, 'kick-back', 0)!)
    const inspection = inspectionsOf(ardmere).find(({ kind }) => kind === 'marks')!
    const start = standOf(trapped, [])
    const unturned = debrief(trapped, [
      { type: 'inspect', inspection: inspection.id },
      ...entries(trapped, inspection, start)
    ])
    expect(unturned.wrong.find(({ id }) => id === 'kick-back')).toMatchObject({ missed: true })
    const forward: Move[] = [
      { type: 'turn', degrees: toTheMark(trapped.start) },
      { type: 'inspect', inspection: inspection.id }
    ]
    expect(
      debrief(trapped, [...forward, ...entries(trapped, inspection, standOf(trapped, forward.slice(0, 1)))]).wrong.find(
        ({ id }) => id === 'kick-back'
      )
    ).toMatchObject({ missed: false })
    const half = makeCase(ardmere, 2, seedWith(ardmere, 2, 'half-turn', 0)!)
    const astray = debrief(half, [
      { type: 'inspect', inspection: inspection.id },
      { type: 'read', inspection: inspection.id, reading: { ...inspection.reads[0]!, value: 180 } as Reading },
      { type: 'turn', degrees: -5 }
    ])
    expect(astray.wrong.find(({ id }) => id === 'half-turn')).toMatchObject({ missed: true })
    expect(lessons(astray)).toMatch(/one more crank turn/)
  })
})

describe('history', () => {
  const run = (day: number, level: Level, score: number, faults: RunSummary['faults']): RunSummary => ({
    id: `r${day}`,
    by: 'Bela',
    code: `c${day}`,
    title: '',
    level,
    score,
    faults,
    finishedAt: `2026-11-${String(day).padStart(2, '0')}T00:00:00.000Z`
  })
  it('what is missed most comes first, once weighed by how often it was met', () => {
    const runs = [
      run(1, 1, 40, [
        { id: 'advanced', missed: true },
        { id: 'kick-back', missed: false }
      ]),
      run(2, 1, 40, [{ id: 'advanced', missed: true }]),
      run(3, 1, 60, [
        { id: 'rail-worn', missed: true },
        { id: 'rail-worn', missed: false }
      ])
    ]
    expect(weaknesses(runs).map(({ id, missed, met }) => [id, missed, met])).toEqual([
      ['advanced', 2, 2],
      ['rail-worn', 1, 2]
    ])
    expect(weaknesses([])).toEqual([])
  })
  it('the next level opens after three good runs of one, and closes for nobody', () => {
    expect(levelFor([])).toBe(1)
    const good = [1, 2, 3].map((day) => run(day, 1, 80, []))
    expect(levelFor(good)).toBe(2)
    expect(levelFor([...good, run(4, 1, 30, [])])).toBe(1)
    expect(levelFor([4, 5, 6].map((day) => run(day, 4, 90, [])))).toBe(5)
  })
})

describe('files and moves from outside', () => {
  const engine = tellCase(makeCase(ardmere, 3, 5))
  const json = JSON.parse(JSON.stringify(engine)) as PracticeCase
  it('a case that was written is read again as it was', () =>
    expect(readCase(json)).toEqual({ engine: json, faults: [] }))
  it.each([
    ['format', (c: any) => (c.format = 'other'), 'format'],
    ['version', (c: any) => (c.version = 2), 'version'],
    ['level', (c: any) => (c.level = 9), 'level'],
    ['truth', (c: any) => (c.truth.kickBack = 'much'), 'truth.kickBack'],
    ['drive', (c: any) => (c.drive.chains[0].links = 3), 'drive'],
    ['finding', (c: any) => c.truth.findings.push({ target: 'guide', finding: 'melted' }), 'truth.findings'],
    ['wear', (c: any) => (c.truth.wear.guide = -1), 'truth.wear']
  ])('a broken %s is named with its place', (_name, spoil, place) => {
    const spoilt = JSON.parse(JSON.stringify(engine)) as PracticeCase
    spoil(spoilt)
    const { engine: none, faults } = readCase(spoilt)
    expect(none).toBeNull()
    expect(faults[0]!.place.startsWith(place)).toBe(true)
  })
  it('a sheet without coordinates cannot be drawn, and says so', () => {
    const counted = {
      ...json,
      drive: { ...json.drive, sprockets: json.drive.sprockets.map(({ centre: _c, ...rest }) => rest) }
    }
    expect(readCase(counted).engine).toBeNull()
  })
  it('moves are checked one by one', () => {
    expect(readMoves(softwareRun(engine).moves, ardmere).faults).toEqual([])
    expect(faultWords(readMoves('all', ardmere))[0]!.message).toMatch(/list/)
    expect(readMoves([{ type: 'fly' }], ardmere).faults[0]!.place).toBe('moves[0].type')
    expect(readMoves([{ type: 'call', part: 'main', call: 'scrap' }], ardmere).faults[0]!.place).toBe('moves[0].call')
    expect(
      readMoves(
        [{ type: 'read', inspection: 'rail:guide', reading: { kind: 'groove', rail: 'nowhere', value: 1 } }],
        ardmere
      ).faults[0]!.place
    ).toContain('moves[0].reading')
    expect(readMoves([{ type: 'turn', degrees: Infinity }], ardmere).moves).toEqual([])
  })
})
