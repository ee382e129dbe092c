import { describe, expect, it } from 'vitest'
import { chainModel, asNew, sheetFaults } from '../../core/drive'
import { pitchRadius, randomness, rotate } from '../../core/math'
import { assess } from '../../core/paths'
import { type FrontTaps, measurePicture, readMeasure, type SettledFront, settleFront } from '../../core/picture'
import { clockAngle, type DriveSheet } from '../../core/sheet'
import { tapFront, withoutPlaces } from '../support/fronts'
import { jobOf } from '../support/jobs'
import { makeCamera, measureFile, seenCard, tapped } from '../support/pictures'
import { sheet as sample, SHEETS } from '../support/sheets'

const CHARTED = SHEETS.filter((id) => sample(id).sprockets.every(({ centre }) => centre))

function settled(sheet: DriveSheet, taps: FrontTaps): SettledFront {
  const found = settleFront(sheet, taps)
  if ('code' in found) throw new Error(found.code)
  return found
}

/** mm from the first sprocket to each other. */
const distances = ({ sprockets: [first, ...others] }: DriveSheet) =>
  others.map(({ centre }) => Math.hypot(centre![0] - first!.centre![0], centre![1] - first!.centre![1]))

describe('an engine from a photo of its open front', () => {
  it.each(CHARTED)('%s: sound, closing, near to where its parts are, and of use for a job', (id) => {
    const truth = sample(id)
    for (const card of [true, false]) {
      const roll = randomness(card ? 11 : 29)
      const camera = makeCamera(roll, { distance: 600, tilt: 8 })
      const { sheet, closing, lacks, sigmas } = settled(withoutPlaces(truth), tapFront(roll, truth, camera, { card }))
      expect(sheetFaults(sheet)).toEqual([])
      expect(lacks).toEqual([])
      expect(closing.map(({ chain }) => chain)).toEqual(truth.chains.map((chain) => chain.id))
      for (const { seen, taken, links } of closing) {
        expect(Math.abs(taken - links)).toBeLessThan(0.1)
        expect(Math.abs(seen! - links)).toBeLessThan(1)
      }
      distances(sheet).forEach((mm, i) => expect(Math.abs(mm - distances(truth)[i]!)).toBeLessThan(1.2))
      for (const sprocket of truth.chains.flatMap(({ path }) => path).slice(1))
        expect(sigmas[sprocket]).toBeGreaterThan(0)
      // What a stretched chain shows on the true drive is told from the settled sheet.
      const [chain] = truth.chains
      const model = chainModel(truth, chain!)
      const wear = { ...asNew(model), elongation: 0.003 }
      const shows = model.readout(wear).extension! - model.readout(asNew(model)).extension!
      const own = chainModel(sheet, sheet.chains[0]!)
      const value = own.readout(asNew(own)).extension! + shows
      const told = assess(
        jobOf([{ kind: 'extension', tensioner: model.tensioner!, value, method: 'calliper' }], { drive: sheet })
      )
      expect(told.chains[chain!.id]!.elongation.mean).toBeGreaterThan(0.001)
      expect(told.chains[chain!.id]!.elongation.mean).toBeLessThan(0.005)
    }
  })
  it('a chain that has run leads the arm back to where a new one closes', () => {
    const truth = sample('ardmere-a18')
    const roll = randomness(3)
    const camera = makeCamera(roll, { distance: 600, tilt: 8 })
    const { sheet, closing } = settled(withoutPlaces(truth), tapFront(roll, truth, camera, { elongation: 0.004 }))
    expect(closing[0]!.seen).toBeGreaterThan(126.2)
    expect(sheetFaults(sheet)).toEqual([])
    const extension = (of: DriveSheet) => {
      const model = chainModel(of, of.chains[0]!)
      return model.readout(asNew(model)).extension!
    }
    expect(Math.abs(extension(sheet) - extension(truth))).toBeLessThan(1)
  })
  it('marks stand by the clock, and the picture turned on its side is set upright by its card', () => {
    const truth = sample('ardmere-a18')
    const roll = randomness(8)
    const camera = makeCamera(roll, { distance: 600, tilt: 5 })
    const taps = tapFront(roll, truth, camera)
    const { sheet } = settled(withoutPlaces(truth), taps)
    // However the phone is held askew, all marks are turned alike.
    const off = truth.marks.map(({ sprocket, at }) => {
      const found = sheet.marks.find((mark) => mark.sprocket === sprocket)!
      return ((clockAngle(found.at) - clockAngle(at) + 540) % 360) - 180
    })
    for (const degrees of off) expect(Math.abs(degrees - off[0]!)).toBeLessThan(5)
    const [plane] = taps.plane
    if (plane?.kind !== 'card') throw new Error('expected a card')
    const [a, b] = [plane.corners['0']![0]!, plane.corners['1']![1]!]
    // The same card laid a quarter turned leaves the drive upright.
    const quarter = settled(withoutPlaces(truth), { ...taps, plane: [turnedCard(plane)] })
    expect(b[0]).toBeGreaterThan(a[0])
    const up = quarter.sheet.sprockets.map(({ centre }) => centre![1])
    sheet.sprockets.forEach(({ centre }, i) => expect(Math.abs(up[i]! - centre![1])).toBeLessThan(20))
  })
  it('while parts are missing it says which, and draws what is there', () => {
    const truth = sample('ardmere-a18')
    const roll = randomness(4)
    const taps = tapFront(roll, truth, makeCamera(roll, { distance: 600 }))
    const { crank, ...others } = taps.rims
    const { lacks, closing, outlines } = settled(withoutPlaces(truth), {
      ...taps,
      rims: { ...others, crank: crank!.slice(0, 2) },
      pivots: {},
      plungers: {}
    })
    expect(lacks).toEqual([
      { what: 'rim', part: 'crank' },
      { what: 'pivot', part: 'arm' },
      { what: 'plunger', part: 'tensioner' }
    ])
    expect(closing).toEqual([])
    expect(outlines.map(({ part }) => part).sort()).toEqual(['arm', 'cam-ex', 'cam-in', 'guide'])
    expect(settleFront(withoutPlaces(truth), { ...taps, plane: [], rims: {}, shoes: {} })).toMatchObject({
      code: 'no-scale'
    })
  })
})

describe('a file of measurements', () => {
  it('takes shoes and chains into a layout, and says how the chain closes', () => {
    const truth = sample('ardmere-a18')
    const roll = randomness(21)
    const camera = makeCamera(roll, { distance: 600, tilt: 10 })
    const { rims, shoes } = tapFront(roll, truth, camera)
    const own = (taps: FrontTaps['rims'], id: string) => taps[id]!.map(([x, y]): [number, number] => [x, y])
    const layout = (path: string[]) =>
      measureFile(camera, {
        plane: [],
        measure: [
          {
            kind: 'layout',
            sprockets: Object.fromEntries(
              truth.sprockets.map(({ id, teeth }) => [id, { teeth, pitch: 8, rim: own(rims, id) }])
            ),
            shoes: { arm: { points: own(shoes, 'arm') }, guide: { points: own(shoes, 'guide'), side: 'outside' } },
            chains: [{ links: 126, pitch: 8, path }]
          }
        ]
      })
    const { file, faults } = readMeasure(layout(['crank', 'arm', 'cam-ex', 'cam-in', 'guide']))
    expect(faults).toEqual([])
    const found = measurePicture(file!)
    if ('code' in found) throw new Error(found.code)
    const [one] = found.results
    if (!one || !('centres' in one)) throw new Error('expected a layout')
    expect(one.closing![0]!.taken).toBeCloseTo(126, 1)
    expect(Math.abs(one.shoes!.arm!.radius - 220)).toBeLessThan(120)
    expect(one.shoes!.arm!.sigma).toBeLessThan(1)
    // A way that leads over a part that is not tapped tells nothing of closing.
    const open = measurePicture(layout(['crank', 'arm', 'cam-ex', 'bridge', 'guide']))
    expect('results' in open && open.results[0]).not.toHaveProperty('closing')
  })
  it('without a sprocket a layout has nowhere to begin, and says so', () => {
    const roll = randomness(1)
    const camera = makeCamera(roll, { distance: 500, tilt: 8 })
    const plane = [seenCard(roll, camera, 'a6')]
    const measure = [{ kind: 'layout' as const, sprockets: {}, points: { pivot: [10, 10] as [number, number] } }]
    expect(measurePicture(measureFile(camera, { plane, measure }))).toMatchObject({ code: 'a-sprocket' })
    const taps = { ...tapFront(roll, sample('ardmere-a18'), camera), plane, rims: {} }
    expect(settleFront(withoutPlaces(sample('ardmere-a18')), taps)).toMatchObject({ code: 'a-sprocket' })
  })
  it('tells the angle from a pointer to a mark on a rim, however the camera is held', () => {
    const off = Array.from({ length: 30 }, (_, i) => {
      const roll = randomness(17 * i + 1)
      const camera = makeCamera(roll, { distance: 450 })
      const [radius, truth, way] = [pitchRadius(8, 42), roll.between(-15, 15), roll.between(0, 360)]
      const at = (r: number, angle: number) => {
        const [x, y] = rotate([r, 0], angle)
        return tapped(roll, camera.pixel(x + 20, y - 10), 1.5) as [number, number]
      }
      const found = measurePicture(
        measureFile(camera, {
          plane: [],
          measure: [
            {
              kind: 'angle',
              teeth: 42,
              pitch: 8,
              rim: [0, 60, 130, 190, 250, 310].map((angle) => at(radius, angle)),
              mark: at(radius - 6, way + truth),
              pointer: at(radius + 10, way)
            }
          ]
        })
      )
      const [one] = 'results' in found ? found.results : []
      if (!one || !('value' in one)) throw new Error('expected an angle')
      return { off: Math.abs(one.value - truth), sigma: one.sigma }
    })
    expect(off.filter(({ off: by, sigma }) => by > 1.645 * sigma).length).toBeLessThan(9)
    expect(Math.max(...off.map(({ off: by }) => by))).toBeLessThan(2.5)
  })
})

/** A card's codes as they are seen when it lies turned by a quarter about its middle. */
function turnedCard(plane: Extract<FrontTaps['plane'][number], { kind: 'card' }>): FrontTaps['plane'][number] {
  const all = Object.values(plane.corners).flatMap((corners) => corners ?? [])
  const middle = (k: 0 | 1) => all.reduce((sum, at) => sum + at[k], 0) / all.length
  const turn = ([x, y]: readonly [number, number]): [number, number] => {
    const [dx, dy] = rotate([x - middle(0), y - middle(1)], 90)
    return [middle(0) + dx, middle(1) + dy]
  }
  return {
    ...plane,
    corners: Object.fromEntries(
      Object.entries(plane.corners).map(([place, corners]) => [place, corners!.map(turn)])
    ) as typeof plane.corners
  }
}
