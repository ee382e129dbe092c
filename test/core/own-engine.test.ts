import { COUNTED_NAMES, gapWords, namesOf } from '../../words/en'
import { describe, expect, it } from 'vitest'
import { chainModel, closeChain, sheetFaults, sheetGaps, smallestCorrection } from '../../core/drive'
import { type CountedAnswers, type DriveSheet, sheetChanges, sheetFromCounts } from '../../core/sheet'
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
  pitch: 6.35,
  links: 88,
  chainType: 'bush',
  crankTeeth: 15,
  cams: [{ name: 'Cam', teeth: 30 }],
  counts: [44, 44],
  stroke: 22,
  tensionerType: 'spring-ratchet',
  newExtension: 6,
  limitExtension: 15,
  elongationLimit: 0.7,
  source: 'manual, page 12'
}

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
      {
        ...single,
        crankTeeth: 18,
        cams: [
          { name: 'Exhaust', teeth: 36 },
          { name: 'Intake', teeth: 36 }
        ],
        links: 126,
        counts: [53, 20, 53]
      },
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
    expect(() => sheetFromCounts({ ...single, counts: [88] }, COUNTED_NAMES)).toThrow(/expected 2/))
  it('counts that do not add up are named at the counts', () =>
    expect(sheetFaults(sheetFromCounts({ ...single, counts: [44, 43] }, COUNTED_NAMES))[0]!.place).toMatch(
      /^chains\[0\]\.counts/
    ))
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
