import { ARM_ANGLE_TOLERANCE, brent, turn180 } from '../math'
import type { Corrections } from './corrections'
import { compileSheet, type Chain, type DriveSheet } from '../sheet'
import { type Contour, contourAt, linksOn, linksRound } from './contour'
import { drivenSprockets, type Element, elementsOf, gearedCams, steelGrowth, touchingRails } from './elements'
import type { ChainModel, ChainReadout, ChainWear } from './model'
import { perChain } from './perChain'
import { extensionAt, type Plunger, plungerOn } from './plunger'
import { degreesPerTooth } from './train'

/** Where the arm comes to rest and what is left over. */
export interface Settled {
  contour: Contour
  armAngle: number
  extension: number | null
  slack: number
  tooTight: number
}

/** A chain whose sheet has coordinates: the model, and the geometry behind it for drawing. */
export interface ChartedModel extends ChainModel {
  elements: readonly Element[]
  settle(state: ChainWear, near?: number): Settled
  /** mm from pin to pin at an elongation, at the engine's temperature. */
  linkLength(elongation: number): number
}

/**
 * The forward model of a chain with coordinates.
 * @throws RangeError when a coordinate is missing or the new drive's geometry does not exist
 */
export function chartedModel(sheet: DriveSheet, chain: Chain, corrections: Corrections = {}): ChartedModel {
  const elements = elementsOf(sheet, chain, corrections)
  const tensioner = compileSheet(sheet).tensionerOf(chain.id)
  const plunger = plungerOn(sheet, chain, corrections)
  const linkLength = (elongation: number) => chain.pitch * steelGrowth(corrections) * (1 + elongation)
  const rails = touchingRails(sheet, chain)
  const cams = drivenSprockets(sheet, chain)
  const geared = gearedCams(sheet, chain).map(({ id }) => id)
  const toothDegrees = degreesPerTooth(sheet, chain)
  const settle = (state: ChainWear, near?: number) =>
    settleLine(elements, plunger, chain.links, linkLength(state.elongation), state, near)
  const reference = newReference(sheet, chain)
  const camElements = cams.map((id) => elements.findIndex((e) => e.id === id))

  return {
    chain: chain.id,
    rails,
    cams: [...cams, ...geared],
    tensioner: tensioner?.id ?? null,
    degreesPerTooth: toothDegrees,
    elements,
    settle,
    linkLength,
    readout(state: ChainWear, near?: number): ChainReadout {
      const { contour, armAngle, extension, slack, tooTight } = settle(state, near)
      const length = linkLength(state.elongation)
      const lag = camElements.map(
        (cam, i) => (reference.links[i]! - tightLinks(elements, contour, cam, length, reference)) * toothDegrees
      )
      return { extension, armAngle: plunger ? armAngle : null, slack, tooTight, lag: [...lag, ...geared.map(() => 0)] }
    }
  }
}

/** Fixed directions on the driver and the cams (headings of the new drive's tangents) and the links between them. */
interface Reference {
  arriving: number
  leaving: Map<number, number>
  links: number[]
}

/** The new drive at reference temperature, without corrections: what the maker's marks were set against. */
const newReference = perChain((sheet, chain): Reference => {
  const elements = elementsOf(sheet, chain)
  const plunger = plungerOn(sheet, chain, {})
  const state = { elongation: 0, wear: touchingRails(sheet, chain).map(() => 0), padWear: 0 }
  const { contour } = settleLine(elements, plunger, chain.links, chain.pitch, state)
  const leaving = new Map(contour.touched.map((element, i) => [element, contour.leaving[i]!]))
  const reference: Reference = { arriving: contour.arriving[0]!, leaving, links: [] }
  reference.links = drivenSprockets(sheet, chain).map((id) =>
    tightLinks(
      elements,
      contour,
      elements.findIndex((e) => e.id === id),
      chain.pitch,
      reference
    )
  )
  return reference
})

/**
 * F: links from a fixed direction on a cam, along the travel, to a fixed direction on the driver.
 *
 * On the cam from its fixed direction to where the chain leaves it, z·o·(θ_out − θ_fixed)/360; then every straight,
 * rail and sprocket in between; then on the driver from where the chain arrives to its fixed direction. With the crank
 * held, the chain between the marks keeps its number of links, so what F loses the cam turns back: lag = (F_new −
 * F)·360/z_driver.
 */
function tightLinks(
  elements: readonly Element[],
  contour: Contour,
  cam: number,
  linkLength: number,
  reference: Reference
): number {
  const start = contour.touched.indexOf(cam)
  const camElement = elements[cam]!
  const driver = elements[0]!
  const onCam = camElement.orientation * turn180(contour.leaving[start]! - (reference.leaving.get(cam) ?? NaN))
  const onDriver = driver.orientation * turn180(reference.arriving - contour.arriving[0]!)
  let links = (camElement.teeth * onCam + driver.teeth * onDriver) / 360 + contour.straight[start]! / linkLength
  for (let i = start + 1; i < contour.touched.length; i++) {
    links += linksOn(elements, contour, i, linkLength) + contour.straight[i]! / linkLength
  }
  return links
}

/**
 * Where the arm settles: at the angle where the links that fit are the links there are, by Brent's method; at the end
 * of its reach with the rest as slack when the chain is too long for that; at the other end and too tight when too
 * short. The arm's reach ends with its range, with the plunger's stroke, or where the geometry ends.
 * @param near arm angle of a state close to this one: tried first, as it mostly saves the search over the whole range
 * @throws RangeError when no contour exists anywhere in the arm's range
 */
function settleLine(
  elements: readonly Element[],
  plunger: Plunger | null,
  links: number,
  linkLength: number,
  state: ChainWear,
  near?: number
): Settled {
  const at = (angle: number) => contourAt(elements, angle, state.wear)
  const excess = (contour: Contour) => linksRound(elements, contour, linkLength) - links
  const rest = (angle: number, contour: Contour | null, taut: boolean): Settled => {
    if (!contour) throw new RangeError('contour: a tangent does not exist at the arm angle')
    const over = taut ? 0 : excess(contour) * linkLength
    const extension = plunger && extensionAt(plunger, angle, state.padWear)
    return { contour, armAngle: angle, extension, slack: Math.max(0, -over), tooTight: Math.max(0, over) }
  }
  if (!plunger) return rest(0, at(0), false)
  const beyond = (a: number) => extensionAt(plunger, a, state.padWear) - plunger.stroke
  const close = near === undefined ? null : secant((a) => excessAt(a, at, excess), near, plunger.range)
  if (close !== null && beyond(close) <= 0) return rest(close, at(close), true)

  const [lo, hi] = boundsWhereExists(at, plunger.range)
  const [atLo, atHi] = [excess(lo.contour), excess(hi.contour)]
  const [inward, outward] = atHi > atLo ? [lo, hi] : [hi, lo]
  if (atLo > 0 && atHi > 0) return rest(inward.angle, inward.contour, false)
  const loose = atLo < 0 && atHi < 0
  const angle = loose ? outward.angle : brent((a) => excessAt(a, at, excess), lo.angle, hi.angle, ARM_ANGLE_TOLERANCE)
  if (beyond(angle) <= 0 || beyond(inward.angle) > 0) return rest(angle, at(angle), !loose)
  const end = brent(beyond, inward.angle, angle, ARM_ANGLE_TOLERANCE)
  return rest(end, at(end), false)
}

function excessAt(angle: number, at: (angle: number) => Contour | null, excess: (contour: Contour) => number): number {
  const contour = at(angle)
  return contour ? excess(contour) : NaN
}

/**
 * A root of f close to `start` by the secant method; null when it leads out of the range or does not settle in a few
 * steps.
 */
function secant(f: (x: number) => number, start: number, [from, to]: readonly [number, number]): number | null {
  let [x0, x1] = [start, start + 1e-3]
  let [f0, f1] = [f(x0), f(x1)]
  for (let i = 0; i < 6; i++) {
    const x = x1 - (f1 * (x1 - x0)) / (f1 - f0)
    if (!(x >= from && x <= to)) return null
    if (Math.abs(x - x1) < ARM_ANGLE_TOLERANCE) return x
    ;[x0, x1, f0, f1] = [x1, x, f1, f(x)]
  }
  return null
}

interface ArmEnd {
  angle: number
  contour: Contour
}

/** The ends of the part of an arm's range in which every tangent exists; the geometry may end before the range does. */
function boundsWhereExists(
  at: (angle: number) => Contour | null,
  [from, to]: readonly [number, number]
): [ArmEnd, ArmEnd] {
  const inside = [from, to].find((end) => at(end)) ?? [0, (from + to) / 2].find((a) => a > from && a < to && at(a))
  if (inside === undefined) throw new RangeError('contour: tangents do not exist anywhere in the arm range')
  const reach = (end: number): ArmEnd => {
    const whole = at(end)
    if (whole) return { angle: end, contour: whole }
    const angle = edge((a) => at(a) !== null, inside, end)
    const contour = at(angle)
    if (!contour) throw new RangeError('contour: tangents do not exist at the edge that was found')
    return { angle, contour }
  }
  return [reach(from), reach(to)]
}

function edge(whole: (a: number) => boolean, good: number, bad: number): number {
  for (let i = 0; i < 40; i++) {
    const middle = (good + bad) / 2
    if (whole(middle)) good = middle
    else bad = middle
  }
  return good
}
