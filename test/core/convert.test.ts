import { describe, expect, it } from 'vitest'
import {
  angleClock,
  camToCrankDegrees,
  chainPicture,
  clockToLag,
  degreesToTeeth,
  lagToClock,
  liftToLag,
  linksOf,
  placeOn,
  slackMap,
  teethToDegrees
} from '../../core/drive'
import { convert, fahrenheitToCelsius } from '../../core/math'
import { clockAngle } from '../../core/sheet'
import { sheet, SHEETS } from '../support/sheets'

const ardmere = sheet('ardmere-a18')
const [chain] = ardmere.chains

describe('units at the edge', () => {
  it.each([
    ['length', 1, 'in', 'mm', 25.4],
    ['distance', 100, 'mi', 'km', 160.9344],
    ['torque', 100, 'lb·ft', 'N·m', 135.5818],
    ['length', 25.4, 'mm', 'in', 1]
  ] as const)('%s: %f %s is %s', (quantity, value, from, to, expected) => {
    expect(convert(quantity, value, from as never, to as never)).toBeCloseTo(expected, 3)
  })

  it('temperatures', () => expect([fahrenheitToCelsius(32), fahrenheitToCelsius(212)]).toEqual([0, 100]))
  it('a unit of another quantity is refused', () =>
    expect(() => convert('length', 1, 'km' as never, 'mm')).toThrow(/expected mm or in/))
})

describe('teeth, clock positions and valve lift', () => {
  it("a tooth is 360° over the driver's teeth, a cam degree two crank degrees", () => {
    expect(teethToDegrees(ardmere, chain!, -2)).toBeCloseTo(-40, 9)
    expect(degreesToTeeth(ardmere, chain!, 30)).toBeCloseTo(1.5, 9)
    expect(camToCrankDegrees(3)).toBe(6)
  })

  it('a mark that stands later in the turning direction than it should means early', () => {
    // Turning clockwise, 11:30 comes after 11:00: the cam is 15° ahead, 30 crank degrees early.
    expect(clockToLag(ardmere, chain!, 'cam-ex', '11:30')).toBeCloseTo(-30, 9)
    expect(clockToLag(ardmere, chain!, 'cam-ex', '10:50')).toBeCloseTo(10, 9)
    const single = sheet('quillon-q40')
    expect(clockToLag(single, single.chains[0]!, 'cam', '12:10')).toBeCloseTo(10, 9)
  })

  it('and back again, on every drive', () => {
    for (const id of SHEETS) {
      const drive = sheet(id)
      for (const c of drive.chains)
        for (const cam of c.path.filter((p) => drive.marks.some((m) => m.sprocket === p) && p !== c.driver)) {
          expect(clockToLag(drive, c, cam, lagToClock(drive, c, cam, 12))).toBeCloseTo(12, 6)
        }
    }
  })

  it('directions as clock positions', () => {
    for (const at of ['12:00', '3:15', '6:01', '11:59', '1:30']) expect(angleClock(clockAngle(at))).toBe(at)
  })

  it('the mean of both flanks is the lag, their difference the lobe', () => {
    const { lag, flanks } = liftToLag({ opening: 358, closing: 224 }, { opening: 355, closing: 220 })
    expect([lag, flanks]).toEqual([3.5, 1])
    expect(liftToLag({ opening: 2, closing: 222 }, { opening: 358, closing: 220 }).lag).toBeCloseTo(3, 9)
  })

  it('a sprocket without a mark is refused', () =>
    expect(() => clockToLag(ardmere, chain!, 'ghost', '1:00')).toThrow(/mark/))
})

describe('the drawn run of a chain', () => {
  const picture = chainPicture(ardmere, chain!, { elongation: 0.004, wear: [0.3, 0.5], padWear: 0.1 }, [3, 2])!

  it('is one closed line of straights and arcs with all its links on it', () => {
    expect(linksOf(picture.run)).toBeCloseTo(126, 6)
    const ends = picture.run
      .map((_, i) => i)
      .reduce<number[]>((sums, i) => [...sums, (sums.at(-1) ?? 0) + picture.run[i]!.links], [])
    for (const links of ends.slice(0, -1)) {
      const [before, after] = [placeOn(picture.run, links - 1e-7).point, placeOn(picture.run, links + 1e-7).point]
      expect(Math.hypot(before[0] - after[0], before[1] - after[1])).toBeLessThan(1e-4)
    }
    const [start, end] = [placeOn(picture.run, 0).point, placeOn(picture.run, 126 - 1e-9).point]
    expect(Math.hypot(start[0] - end[0], start[1] - end[1])).toBeLessThan(1e-3)
  })

  it("starts at the driver's mark and names what it lies on in the order of travel", () => {
    const arcs = picture.run.flatMap((s) => (s.shape === 'arc' ? [s.on] : []))
    expect(arcs).toEqual(['crank', 'arm', 'cam-ex', 'cam-in', 'guide', 'crank'])
    expect(placeOn(picture.run, 0).point[0]).toBeCloseTo(0, 6)
    expect(placeOn(picture.run, 0).point[1]).toBeLessThan(0)
  })
})

describe('where slack appears if the tensioner lets go', () => {
  it('behind the driver, more of it as the chain stretches; between the cams it only kicks back', () => {
    const at = (elongation: number) => slackMap(ardmere, chain!, { elongation, wear: [0, 0], padWear: 0 })!
    expect(at(0.004).gathers).toEqual({ from: 'crank', to: 'cam-ex' })
    expect(at(0.004).kickBack).toEqual([{ from: 'cam-ex', to: 'cam-in' }])
    expect(at(0.004).slack - at(0).slack).toBeGreaterThan(2)
    expect(at(0.004).sag).toBeGreaterThan(at(0).sag)
  })

  it('is not known on a counted sheet', () => {
    const counted = sheet('quillon-q40-counted')
    expect(slackMap(counted, counted.chains[0]!, { elongation: 0, wear: [0, 0], padWear: 0 })).toBeNull()
  })
})
