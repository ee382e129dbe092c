import { COUNTED_NAMES, gapWords, namesOf } from '../../words/en'
import { describe, expect, it } from 'vitest'
import {
  chainModel,
  closeChain,
  degreesPerTooth,
  sheetFaults,
  speedOf,
  trainsOf,
  sheetGaps,
  smallestCorrection
} from '../../core/drive'
import {
  type CountedAnswers,
  type CountedChain,
  type DriveSheet,
  sheetChanges,
  sheetFromCounts
} from '../../core/sheet'
import { DEMO_SHEETS } from '../../demo/workshop'
import { randomEngine } from '../support/engines'
import { changed, sheet } from '../support/sheets'

const single: CountedAnswers = {
  id: 'own',
  name: 'Own single',
  rotation: 'anticlockwise',
  cylinders: 1,
  layout: 'single',
  interference: true,
  fuel: 'petrol',
  chains: [
    {
      pitch: 6.35,
      links: 88,
      chainType: 'bush',
      driver: 'crank',
      driverTeeth: 15,
      driven: [{ name: 'Cam', teeth: 30 }],
      counts: [44, 44],
      tensioner: { place: 'slack', type: 'spring-ratchet', stroke: 22, newExtension: 6, limitExtension: 15 },
      elongationLimit: 0.7
    }
  ],
  source: 'manual, page 12'
}
const chainOf = (change: Partial<CountedChain>): CountedAnswers => ({
  ...single,
  chains: [{ ...single.chains[0]!, ...change }]
})

describe('a sheet from counts alone', () => {
  it('is sound, and reads what the drawn sheet of the same engine reads', () => {
    const own = sheetFromCounts(single, COUNTED_NAMES)
    expect(sheetFaults(own)).toEqual([])
    const [counted, drawn] = [own, sheet('quillon-q40')].map((s) =>
      chainModel(s, s.chains[0]!).readout({ elongation: 0.003, wear: [0, 0], padWear: 0 })
    )
    expect(counted!.lag[0]).toBeCloseTo(drawn!.lag[0]!, 0)
    expect(Math.abs(counted!.extension! - drawn!.extension!)).toBeLessThan(1.8)
  })
  it("stands at the manual's extension when the chain is at its limit", () => {
    const own = sheetFromCounts(single, COUNTED_NAMES)
    expect(
      chainModel(own, own.chains[0]!).readout({ elongation: 0.007, wear: [0, 0], padWear: 0 }).extension
    ).toBeCloseTo(15, 6)
  })
  it('with two cams gives each its own tight side, the cam nearer to the driver the shorter one', () => {
    const own = sheetFromCounts(
      chainOf({
        driverTeeth: 18,
        driven: [
          { name: 'Exhaust', teeth: 36 },
          { name: 'Intake', teeth: 36 }
        ],
        links: 126,
        counts: [53, 20, 53]
      }),
      COUNTED_NAMES
    )
    const { tight, freeLinks } = own.chains[0]!.counted!
    const drawn = sheet('ardmere-a18')
    const lag = (s: DriveSheet) =>
      chainModel(s, s.chains[0]!).readout({ elongation: 0.003, wear: s.rails.map(() => 0), padWear: 0 }).lag
    expect(tight['cam-2']!).toBeLessThan(tight['cam-1']!)
    expect(freeLinks).toBeLessThan(126)
    lag(own).forEach((degrees, i) => expect(degrees).toBeCloseTo(lag(drawn)[i]!, 0))
  })
  it('wants one count for each run', () =>
    expect(() => sheetFromCounts(chainOf({ counts: [88] }), COUNTED_NAMES)).toThrow(/expected 2/))
  it('counts that do not add up are named at the counts', () =>
    expect(sheetFaults(sheetFromCounts(chainOf({ counts: [44, 43] }), COUNTED_NAMES))[0]!.place).toMatch(
      /^chains\[0\]\.counts/
    ))
})

describe('several chains from counts', () => {
  const cam = (name: string, bank = 1) => ({ name, teeth: 36, bank })
  const limits = { elongationLimit: 0.5, pitch: 8, chainType: 'bush' }
  const tensioner = {
    place: 'slack',
    type: 'hydraulic-ratchet',
    stroke: 20,
    newExtension: 3,
    limitExtension: 14
  } as const
  const lower: CountedChain = {
    ...limits,
    links: 76,
    driver: 'crank',
    driverTeeth: 21,
    driven: [{ name: 'Intermediate', teeth: 42 }],
    counts: [38, 38],
    tensioner
  }
  const upper: CountedChain = {
    ...limits,
    links: 90,
    driver: { chain: 0, driven: 0 },
    driverTeeth: 24,
    driven: [
      { ...cam('Intake'), teeth: 24, mark: '11:30' },
      { ...cam('Exhaust'), teeth: 24 }
    ],
    counts: [35, 20, 35],
    tensioner
  }
  const engine = (...chains: CountedChain[]) => sheetFromCounts({ ...single, chains }, COUNTED_NAMES)
  const lags = (own: DriveSheet, elongation: number) =>
    own.chains.map((chain) => {
      const model = chainModel(own, chain)
      return model.readout({ elongation, wear: model.rails.map(() => 0), padWear: 0 })
    })

  it('two over an intermediate shaft: one train, the cams at half crank speed, each tooth worth what it is', () => {
    const own = engine(lower, upper)
    expect(sheetFaults(own)).toEqual([])
    expect(trainsOf(own).map((train) => train.map(({ id }) => id))).toEqual([['chain', 'chain-2']])
    expect(own.marks.find(({ sprocket }) => sprocket === 'cam-1')).toMatchObject({ at: '11:30' })
    expect(Math.abs(speedOf(own, own.chains[1]!, 'cam-1'))).toBe(0.5)
    expect(degreesPerTooth(own, own.chains[1]!)).toBe(30)
    // The upper chain's own lag; what the lower one adds is the train's.
    expect(lags(own, 0.004)[1]!.lag.every((lag) => lag > 1)).toBe(true)
  })

  it('one for each bank of a V, by a row of its own on the crank', () => {
    const bank = (number: number): CountedChain => ({
      ...limits,
      links: 126,
      driver: 'crank',
      driverTeeth: 18,
      driven: [cam(`Exhaust ${number}`, number), cam(`Intake ${number}`, number)],
      counts: [53, 20, 53],
      tensioner
    })
    const own = engine(bank(1), bank(2))
    expect(sheetFaults(own)).toEqual([])
    expect(trainsOf(own)).toHaveLength(2)
    const crank = own.sprockets.filter(({ shaft }) => shaft === 'crankshaft').map(({ id }) => id)
    expect(crank).toEqual(['crank', 'crank-2'])
    expect(own.sprockets.filter((sprocket) => sprocket.bank === 2).map(({ name }) => name)).toEqual([
      'Exhaust 2',
      'Intake 2'
    ])
    expect(new Set(own.chains.map(({ name }) => name)).size).toBe(2)
  })

  it('a plunger between two strands: what either shoe loses, it comes out by', () => {
    const own = engine({
      ...lower,
      driven: [cam('Cam')],
      driverTeeth: 18,
      tensioner: { ...tensioner, place: 'between' }
    })
    expect(sheetFaults(own)).toEqual([])
    const model = chainModel(own, own.chains[0]!)
    const at = (wear: number[]) => model.readout({ elongation: 0.002, wear, padWear: 0 }).extension!
    expect(at([0.5, 0]) - at([0, 0])).toBeCloseTo(0.5, 6)
    expect(at([0, 0.5]) - at([0, 0])).toBeCloseTo(0.5, 6)
  })

  it('cam to cam, without a tensioner of its own, is told by its lag alone', () => {
    const between: CountedChain = {
      ...limits,
      links: 40,
      driver: { chain: 0, driven: 0 },
      driverTeeth: 20,
      driven: [{ ...cam('Intake'), teeth: 20 }],
      counts: [20, 20],
      tensioner: null
    }
    const own = engine({ ...lower, driven: [cam('Exhaust')], driverTeeth: 18 }, between)
    expect(sheetFaults(own)).toEqual([])
    expect(own.tensioners).toHaveLength(1)
    expect(lags(own, 0.004)[1]).toMatchObject({ extension: null })
  })

  it('a driver that no earlier chain turns is none', () =>
    expect(() => engine({ ...lower, driver: { chain: 1, driven: 0 } }, upper)).toThrow(/earlier chain/))
})

describe('centres measured roughly', () => {
  const moved = (s: DriveSheet, id: string, x: number, y: number) =>
    changed(s, (d) => {
      const one = d.sprockets.find((sprocket: { id: string }) => sprocket.id === id)
      one.centre = [one.centre[0] + x, one.centre[1] + y]
    })
  it.each(DEMO_SHEETS.filter(({ id }) => !id.endsWith('counted')).map((s) => [s.id, s] as const))(
    '%s ships closed',
    (_id, s) => {
      for (const chain of s.chains) expect(Math.abs(closeChain(s, chain)!.off)).toBeLessThan(0.1)
    }
  )
  it('the smallest shift closes the chain and makes the sheet sound again', () => {
    for (const [x, y] of [
      [0, 2.4],
      [-1.8, -1.1],
      [0.7, -3]
    ] as const) {
      const rough = moved(sheet('ardmere-a18'), 'cam-in', x, y)
      const shifts = smallestCorrection(rough, rough.chains[0]!)!
      const closed = changed(rough, (d) =>
        d.sprockets.forEach(
          (s: { id: string; centre: unknown }) =>
            (s.centre = shifts.find((shift) => shift.sprocket === s.id)?.to ?? s.centre)
        )
      )
      expect(Math.abs(closeChain(closed, closed.chains[0]!)!.off)).toBeLessThan(0.001)
      expect(shifts.map((s) => s.sprocket)).not.toContain('crank')
    }
  })
  it('no other shift that closes it is smaller', () => {
    const rough = moved(sheet('ardmere-a18'), 'cam-in', 0, 3)
    const size = (shifts: { from: readonly number[]; to: readonly number[] }[]) =>
      Math.hypot(...shifts.flatMap(({ from, to }) => [to[0]! - from[0]!, to[1]! - from[1]!]))
    const smallest = size(smallestCorrection(rough, rough.chains[0]!)!)
    // Putting back just what was moved closes it as well, and is a longer way.
    expect(smallest).toBeLessThan(3)
    expect(smallest).toBeGreaterThan(0.3)
  })
  it('holds on engines of any shape', () => {
    for (let seed = 1; seed <= 12; seed++) {
      const s = randomEngine({ seed, cams: seed % 2 === 0 ? 1 : 2 })
      const cam = s.sprockets[1]!
      const rough = moved(s, cam.id, 0.6, -0.9)
      const shifts = smallestCorrection(rough, rough.chains[0]!)
      expect(shifts).not.toBeNull()
      const closed = changed(rough, (d) =>
        d.sprockets.forEach(
          (one: { id: string; centre: unknown }) =>
            (one.centre = shifts!.find((shift) => shift.sprocket === one.id)?.to ?? one.centre)
        )
      )
      expect(Math.abs(closeChain(closed, closed.chains[0]!)!.off)).toBeLessThan(0.002)
    }
  })
  it('what is wrong by more than measuring can be is not papered over', () => {
    const wrong = changed(sheet('ardmere-a18'), (d) => (d.chains[0].links = 120))
    expect(smallestCorrection(wrong, wrong.chains[0]!)).toBeNull()
  })
  it('a counted sheet has nothing to close', () =>
    expect(closeChain(sheet('quillon-q40-counted'), sheet('quillon-q40-counted').chains[0]!)).toBeNull())
})

describe('what a sheet leaves open', () => {
  it('a counted one says that it is not drawn', () =>
    expect(sheetGaps(sheetFromCounts(single, COUNTED_NAMES)).map((g) => g.section)).toEqual(
      expect.arrayContaining(['sprockets', 'limits', 'work'])
    ))
  it('a part without a limit is named, never passed', () => {
    const bare = changed(
      sheet('ardmere-a18'),
      (d) => (d.limits = d.limits.filter((l: { kind: string }) => l.kind !== 'elongation'))
    )
    expect(sheetGaps(bare).map((gap) => gapWords(gap, namesOf(bare)).missing)).toContain(
      'Elongation limit of timing chain'
    )
    expect(sheetGaps(sheet('ardmere-a18')).filter((g) => g.section === 'limits')).toEqual([])
  })
})

describe('what changes between two revisions', () => {
  const old = sheet('ardmere-a18')
  it('nothing, of a sheet and its copy', () => expect(sheetChanges(old, sheet('ardmere-a18'))).toEqual([]))
  it('a limit, by what it is of', () => {
    const now = changed(old, (d) => (d.limits.find((l: { kind: string }) => l.kind === 'elongation').value = 0.4))
    expect(sheetChanges(old, now)).toEqual([{ place: 'limits[elongation main].value', was: '0.5', is: '0.4' }])
  })
  it('an entry moved to another place has not changed', () => {
    const now = changed(old, (d) => d.operations.reverse())
    expect(sheetChanges(old, now)).toEqual([])
  })
  it('what is new and what is gone', () => {
    const now = changed(old, (d) => {
      delete d.tensioners[0].ratchet
      d.note = 'Other'
    })
    expect(sheetChanges(old, now).map(({ place, is }) => [place, is === null])).toEqual(
      expect.arrayContaining([
        ['note', false],
        ['tensioners[tensioner].ratchet.first', true]
      ])
    )
  })
})
