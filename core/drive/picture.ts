import { along, type Point, rotate, turnedAbout, unit } from '../math'
import type { Corrections } from './corrections'
import { compileSheet, type Chain, clockAngle, type DriveSheet } from '../sheet'
import { centredRun, isCharted } from './centred'
import { chartedModel, type Settled } from './charted'
import type { Contour } from './contour'
import { camsOf, type Element, gearedCams } from './elements'
import { touchAngle } from './marks'
import type { ChainWear } from './model'
import { extensionAt, plungerOn } from './plunger'
import { chainRun, linksOf, placeOn, type Segment } from './run'
import { speedOf, travelOf, turnsOf } from './train'

/** A chain's drive as it stands in a given state, ready to be drawn. Same plane as the sheet: mm, y up, degrees. */
export interface ChainPicture {
  chain: string
  sprockets: SprocketPicture[]
  rails: RailPicture[]
  /** The drawn run as straights and arcs, from the driver's mark. */
  run: Segment[]
  /** Pins of the chain in the direction of travel, the first half a link before the driver's mark; closed. */
  pins: Point[]
  /** Index of the pin that starts each link standing at a mark when the chain was fitted. */
  colouredLinks: number[]
  tensioner: TensionerPicture | null
  /** Middle of each run between marks, with the way to where nothing lies, for its count: inwards beside a rail. */
  runs: { from: string; to: string; links: number; at: Point; clear: Point }[]
}

export interface SprocketPicture {
  id: string
  centre: Point
  radius: number
  teeth: number
  /** Direction of one pin seated on it. */
  pinAngle: number
  /** Direction of its mark as it stands, and as it should. Null without a mark. */
  mark: { at: number; should: number } | null
  /** Of a cam that gears drive: pitch radius, teeth and centre of the gear that drives it. */
  gear?: { radius: number; teeth: number; from: Point }
}

export interface RailPicture {
  id: string
  centre: Point
  /** Of the chain's pitch line on it. */
  radius: number
  /** Directions between which the chain lies on it, the smaller first, seen from its centre. */
  from: number
  to: number
  pivot: Point | null
}

export interface TensionerPicture {
  id: string
  seat: Point
  axis: Point
  extension: number
  tip: Point
  stroke: number
}

/**
 * How a chain's drive looks in a state.
 * @param lags crank degrees for each cam as `camsOf` lists them, jumps included
 * @returns null for a chain without coordinates
 * @throws RangeError when the sheet is not sound
 */
export function chainPicture(
  sheet: DriveSheet,
  chain: Chain,
  state: ChainWear,
  lags: readonly number[],
  corrections: Corrections = {}
): ChainPicture | null {
  const drawn = drawnIn(sheet, chain, state, corrections)
  if (!drawn) return null
  const { elements, settled, linkLength } = drawn
  const cams = camsOf(sheet, chain)
  const run = chainRun(elements, settled.contour, linkLength, markAngle(sheet, chain.driver))
  const stretch = linksOf(run) / chain.links
  const pins = Array.from({ length: chain.links }, (_, i) => placeOn(run, (i - 0.5) * stretch).point)
  const starts = [
    0,
    ...chain.counts.slice(0, -1).reduce<number[]>((sums, count) => [...sums, (sums.at(-1) ?? 0) + count.links], [])
  ]
  return {
    chain: chain.id,
    run,
    pins,
    colouredLinks: starts,
    sprockets: withGears(sheet, chain, spokes(sheet, chain, elements, settled.contour, pins, cams, lags), lags),
    rails: shoes(elements, settled),
    tensioner: plungerPicture(sheet, chain, settled, state, corrections),
    runs: chain.counts.map((count, i) => {
      const { point, heading } = placeOn(run, (starts[i]! + count.links / 2) * stretch)
      const inwards = (travelOf(sheet, chain) === -1) === passesRail(sheet, chain, count.from, count.to)
      return { ...count, at: point, clear: rotate(unit(heading), inwards ? -90 : 90) }
    })
  }
}

/** Where everything lies: with all coordinates as the arm settles, with centres alone from sprocket to sprocket. */
function drawnIn(
  sheet: DriveSheet,
  chain: Chain,
  state: ChainWear,
  corrections: Corrections
): { elements: readonly Element[]; settled: Pick<Settled, 'contour' | 'armAngle'>; linkLength: number } | null {
  if (isCharted(sheet, chain)) {
    const model = chartedModel(sheet, chain, corrections)
    return { elements: model.elements, settled: model.settle(state), linkLength: model.linkLength(state.elongation) }
  }
  const bare = centredRun(sheet, chain)
  return bare && { elements: bare.elements, settled: { contour: bare.contour, armAngle: 0 }, linkLength: chain.pitch }
}

/** Does a run between two sprockets pass a rail? */
function passesRail(sheet: DriveSheet, { path }: Chain, from: string, to: string): boolean {
  const start = path.indexOf(from)
  const end = path.indexOf(to)
  const run = end > start ? path.slice(start, end) : [...path.slice(start), ...path.slice(0, end)]
  return run.some((id) => compileSheet(sheet).rails.has(id))
}

function markAngle(sheet: DriveSheet, id: string): number {
  return clockAngle(compileSheet(sheet).markOf(id)?.at ?? '6:00')
}

function spokes(
  sheet: DriveSheet,
  chain: Chain,
  elements: readonly Element[],
  contour: Contour,
  pins: readonly Point[],
  cams: readonly string[],
  lags: readonly number[]
): SprocketPicture[] {
  return contour.touched.flatMap((index, i) => {
    const element = elements[index]!
    if (element.rail >= 0) return []
    const centre = contour.centres[i]!
    const seated = pins.reduce((best, pin) =>
      offCircle(pin, centre, element.radius) < offCircle(best, centre, element.radius) ? pin : best
    )
    const mark = compileSheet(sheet).markOf(element.id)
    const lag =
      element.id === chain.driver
        ? 0
        : (lags[cams.indexOf(element.id)] ?? 0) * Math.abs(speedOf(sheet, chain, element.id))
    return [
      {
        id: element.id,
        centre,
        radius: element.radius,
        teeth: element.teeth,
        pinAngle: directionOf(centre, seated),
        mark: mark ? { should: clockAngle(mark.at), at: clockAngle(mark.at) - element.orientation * lag } : null
      }
    ]
  })
}

/** The sprockets with the cams that gears drive from them: each of a pair as large as its share of their distance. */
function withGears(
  sheet: DriveSheet,
  chain: Chain,
  sprockets: readonly SprocketPicture[],
  lags: readonly number[]
): SprocketPicture[] {
  const cams = camsOf(sheet, chain)
  const parts = compileSheet(sheet)
  return [
    ...sprockets,
    ...gearedCams(sheet, chain).flatMap(({ id, from }): SprocketPicture[] => {
      const driver = sprockets.find((sprocket) => sprocket.id === from)
      const { centre } = parts.sprocket(id)
      const gear = sheet.gears!.find(({ driven }) => driven === id)!
      if (!driver || !centre) return []
      const apart = Math.hypot(centre[0] - driver.centre[0], centre[1] - driver.centre[1])
      const [driving, driven] = gear.teeth
      const mark = parts.markOf(id)
      const turned = (lags[cams.indexOf(id)] ?? 0) * Math.abs(turnsOf(sheet, chain, id))
      return [
        {
          id,
          centre,
          radius: (apart * driven) / (driving + driven),
          teeth: driven,
          pinAngle: directionOf(centre, driver.centre),
          // It turns against the chain.
          mark: mark
            ? { should: clockAngle(mark.at), at: clockAngle(mark.at) + travelOf(sheet, chain) * turned }
            : null,
          gear: { radius: (apart * driving) / (driving + driven), teeth: driving, from: driver.centre }
        }
      ]
    })
  ]
}

function offCircle(point: Point, centre: Point, radius: number): number {
  return Math.abs(Math.hypot(point[0] - centre[0], point[1] - centre[1]) - radius)
}

function directionOf(centre: Point, point: Point): number {
  return (Math.atan2(point[1] - centre[1], point[0] - centre[0]) * 180) / Math.PI
}

function shoes(
  elements: readonly Element[],
  { contour, armAngle }: Pick<Settled, 'contour' | 'armAngle'>
): RailPicture[] {
  return elements.flatMap((element, index) => {
    if (element.rail < 0) return []
    const i = contour.touched.indexOf(index)
    const centre = element.pivot ? turnedAbout(element.centre, element.pivot, armAngle) : element.centre
    const angles =
      i < 0
        ? [0, 0]
        : [
            touchAngle(element, contour.arriving[i]!),
            touchAngle(element, contour.arriving[i]! + element.orientation * contour.sweep[i]!)
          ]
    return [
      {
        id: element.id,
        centre,
        radius: i < 0 ? element.radius : contour.radii[i]!,
        from: Math.min(...angles),
        to: Math.max(...angles),
        pivot: element.slides ? null : (element.pivot ?? null)
      }
    ]
  })
}

function plungerPicture(
  sheet: DriveSheet,
  chain: Chain,
  settled: Pick<Settled, 'armAngle'>,
  state: ChainWear,
  corrections: Corrections
): TensionerPicture | null {
  const tensioner = compileSheet(sheet).tensionerOf(chain.id)
  if (!isCharted(sheet, chain)) return null
  const plunger = plungerOn(sheet, chain, corrections)
  if (!tensioner || !plunger) return null
  const extension = extensionAt(plunger, settled.armAngle, state.padWear)
  return {
    id: tensioner.id,
    seat: plunger.seat,
    axis: plunger.axis,
    extension,
    tip: along(plunger.seat, plunger.axis, extension),
    stroke: tensioner.stroke
  }
}
