import { pitchRadius, type Point, RADIANS, turn180 } from '../math'
import type { Message } from '../check'
import { tiltOf } from './camera'
import { layoutOf, type Layout, tappedOf } from './layout'
import { type Figure, propagate } from './propagate'
import { distanceOf, fitScenes, type SceneInput } from './scene'
import { say } from './says'
import type { Known, Measure, MeasureFile } from './schema'
import type { Circle, Seen, Tapped } from './seen'

/** A figure, mm, with its standard deviation. */
export interface Measured {
  value: number
  sigma: number
}

export type Result = (Measured & { shares: Shares }) | Layout

/**
 * What a figure's doubt is made of, shares of its variance: the taps, how far the card lies behind, camera and plane.
 */
export interface Shares {
  taps: number
  behind: number
  camera: number
}

/** What a picture came to. */
export interface Measurement {
  results: Result[]
  /** mm from the camera to what is measured, and degrees that it was tilted. */
  distance: number
  tilt: number
  /** px by which the card's corners disagree; null without one. */
  corner: number | null
}

/** mm that a card's line measures where its printer keeps to scale. */
const PRINTED = 100
/** px: standard deviation of a tap. */
const TAP = 1.5
/**
 * Of the pitch: how far tooth tips stand outside the pitch circle (first order, DIN 8196), and how far that may be
 * off.
 */
const TIPS = { out: 0.33, sigma: 0.08 }
/** mm by which a new chain under one pull may be off over a piece of it. */
const NEW_CHAIN = 0.02
/** mm by which a length that somebody typed may be off. */
const TYPED = 0.05
/** px: corners of a card that disagree by more are no card lying flat. */
const DISAGREES = 2

/**
 * What is asked of a picture, with the doubt of all that it rests on.
 * @returns what stands in the way instead, where nothing can be measured
 */
export function measurePicture(file: MeasureFile): Measurement | Message {
  const seen = seePicture(file)
  if ('code' in seen) return seen
  const results: Result[] = []
  for (const measure of file.measure) {
    const one = resultOf(measure, seen)
    if ('code' in one) return one
    results.push(one)
  }
  const { state, ways } = seen
  return { results, distance: distanceOf(state), tilt: tiltOf(state.camera), corner: ways.scenes[0]!.corner }
}

/**
 * Fits camera, circles, curves and chains to a picture.
 * @param closing do chains that have to close tell of it too?
 */
export function seePicture(file: MeasureFile, closing = true): Seen | Message {
  const tapped = tappedOf(file.measure, circlesOf(file))
  const input = sceneOf(file, closing ? tapped : { ...tapped, loops: [] })
  if (!hasScale(input)) return say('no-scale')
  const scenes = fitScenes(input)
  const [best] = scenes
  if (!best) return say('flat-nowhere')
  if (best.corner !== null && best.corner > DISAGREES) return say('card-disagrees', { pixels: best.corner })
  const state = best.read(best.fit.at)
  if (!(distanceOf(state) > 0)) return say('behind-camera')
  const weights = scenes.map(({ fit }) => Math.exp((best.fit.cost - fit.cost) / 2))
  return { ways: { scenes, weights, tap: input.tap }, state, tapped }
}

/** Every circle of known teeth: rims that give the scale, and sprockets of a layout. */
function circlesOf({ plane, measure }: MeasureFile): Circle[] {
  const circle = (
    owner: Known | Measure,
    id: string,
    { teeth, pitch, at, points }: { teeth: number; pitch: number; at?: 'tips' | undefined; points: readonly Point[] }
  ): Circle => ({
    owner,
    id,
    points,
    radius: pitchRadius(pitch, teeth) + (at === 'tips' ? TIPS.out * pitch : 0),
    sigma: at === 'tips' ? TIPS.sigma * pitch : 0
  })
  return [
    ...plane.flatMap((known) => (known.kind === 'rim' ? [circle(known, '', known)] : [])),
    ...measure.flatMap((one) =>
      one.kind === 'layout'
        ? Object.entries(one.sprockets).map(([id, { rim, ...sprocket }]) =>
            circle(one, id, { ...sprocket, points: rim })
          )
        : one.kind === 'angle'
          ? [circle(one, '', { ...one, points: one.rim })]
          : []
    )
  ]
}

function sceneOf(
  { size, focal, behind, tap = TAP, plane, measure }: MeasureFile,
  { circles, arcs, loops }: Tapped
): SceneInput {
  return {
    size,
    focal,
    behind,
    tap,
    circles,
    arcs,
    loops,
    cards: plane.flatMap((known) => {
      if (known.kind !== 'card') return []
      const codes = Object.entries(known.corners).flatMap(([place, corners]) =>
        corners ? [{ place: Number(place), corners }] : []
      )
      // A card of which no code is seen tells nothing.
      return codes.length > 0 ? [{ card: known.card, scale: (known.printed ?? PRINTED) / PRINTED, codes }] : []
    }),
    lengths: [
      ...plane.flatMap((known) =>
        known.kind === 'known' ? [{ a: known.a, b: known.b, mm: known.mm, sigma: TYPED }] : []
      ),
      ...measure.flatMap((one) =>
        one.kind === 'compare' ? [{ a: one.new[0]!, b: one.new[1]!, mm: one.links * one.pitch, sigma: NEW_CHAIN }] : []
      )
    ]
  }
}

function hasScale({ cards, lengths, circles }: SceneInput): boolean {
  return cards.length > 0 || lengths.length > 0 || circles.length > 0
}

function resultOf(measure: Measure, seen: Seen): Result | Message {
  if (measure.kind === 'layout') return layoutOf(measure, seen)
  if (measure.kind === 'angle') return angleOf(measure, seen)
  const [a, b] = measure.kind === 'length' ? [measure.a, measure.b] : [measure.old[0]!, measure.old[1]!]
  if (Math.hypot(b[0] - a[0], b[1] - a[1]) < 1e-6) return say('same-point')
  const less = measure.kind === 'compare' ? measure.links * measure.pitch : 0
  const [one] = propagate(seen.ways, [a, b], (taps, { place }) => {
    const [from, to] = taps.map(place) as [Point, Point]
    return [Math.hypot(to[0] - from[0], to[1] - from[1]) - less]
  })
  return figureOf(one!)
}

/** Degrees, + = anticlockwise, from a pointer to a mark as seen from the middle of the sprocket's rim. */
function angleOf(measure: Extract<Measure, { kind: 'angle' }>, { ways, tapped: { circles } }: Seen): Result | Message {
  const { mark, pointer } = measure
  const at = circles.findIndex(({ owner }) => owner === measure)
  const [one] = propagate(ways, [mark, pointer], (taps, { place, circles: rounds }) => {
    const [cx, cy] = rounds[at]!.centre
    const [to, from] = taps.map((tap) => {
      const [x, y] = place(tap)
      return Math.atan2(y - cy, x - cx)
    }) as [number, number]
    return [turn180((to - from) / RADIANS)]
  })
  return figureOf(one!)
}

function figureOf({ value, variance, behind, taps }: Figure): Measured & { shares: Shares } {
  const share = (part: number) => (variance > 0 ? part / variance : 0)
  return {
    value,
    sigma: Math.sqrt(variance),
    shares: { taps: share(taps), behind: share(behind), camera: share(variance - taps - behind) }
  }
}
