import { pitchRadius, type Point } from '../math'
import type { Message } from '../check'
import { tiltOf } from './camera'
import { distanceOf, fitScenes, type Scene, type SceneInput, type SceneState } from './scene'
import { say } from './says'
import type { Known, Measure, MeasureFile } from './schema'

/** A figure, mm, with its standard deviation. */
export interface Measured {
  value: number
  sigma: number
}

/** Where something stands, mm, x right, y up, from the first sprocket; `sigma` of the less certain of the two. */
export interface Placed {
  x: number
  y: number
  sigma: number
}

export type Result =
  (Measured & { shares: Shares }) | { centres: { [id: string]: Placed }; points: { [name: string]: Placed } }

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
  const circles = circlesOf(file)
  const input = sceneOf(file, circles)
  if (!hasScale(input)) return say('no-scale')
  const scenes = fitScenes(input)
  const [best] = scenes
  if (!best) return say('flat-nowhere')
  if (best.corner !== null && best.corner > DISAGREES) return say('card-disagrees', { pixels: best.corner })
  const state = best.read(best.fit.at)
  if (!(distanceOf(state) > 0)) return say('behind-camera')
  const weights = scenes.map(({ fit }) => Math.exp((best.fit.cost - fit.cost) / 2))
  const results: Result[] = []
  for (const measure of file.measure) {
    const one = resultOf(measure, { scenes, weights, tap: input.tap, circles })
    if ('code' in one) return one
    results.push(one)
  }
  return { results, distance: distanceOf(state), tilt: tiltOf(state.camera), corner: best.corner }
}

interface Circle {
  owner: Known | Measure
  id: string
  radius: number
  sigma: number
  points: readonly Point[]
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
        : []
    )
  ]
}

function sceneOf({ size, focal, behind, tap = TAP, plane, measure }: MeasureFile, circles: Circle[]): SceneInput {
  return {
    size,
    focal,
    behind,
    tap,
    circles,
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

interface Found {
  scenes: readonly Scene[]
  weights: readonly number[]
  tap: number
  circles: readonly Circle[]
}

function resultOf(measure: Measure, found: Found): Result | Message {
  if (measure.kind === 'layout') return layoutOf(measure, found)
  const [a, b] = measure.kind === 'length' ? [measure.a, measure.b] : [measure.old[0]!, measure.old[1]!]
  if (Math.hypot(b[0] - a[0], b[1] - a[1]) < 1e-6) return say('same-point')
  const less = measure.kind === 'compare' ? measure.links * measure.pitch : 0
  const [one] = propagate(found, [a, b], (taps, { place }) => {
    const [from, to] = taps.map(place) as [Point, Point]
    return [Math.hypot(to[0] - from[0], to[1] - from[1]) - less]
  })
  const { value, variance, behind, taps } = one!
  const share = (part: number) => (variance > 0 ? part / variance : 0)
  return {
    value,
    sigma: Math.sqrt(variance),
    shares: { taps: share(taps), behind: share(behind), camera: share(variance - taps - behind) }
  }
}

/** Sprockets and points from the first sprocket on, mm. */
function layoutOf(measure: Extract<Measure, { kind: 'layout' }>, found: Found): Result {
  const ids = Object.keys(measure.sprockets)
  const names = Object.keys(measure.points ?? {})
  const at = ids.map((id) => found.circles.findIndex((circle) => circle.owner === measure && circle.id === id))
  const taps = names.map((name) => measure.points![name]!)
  const outputs = (pixels: readonly Point[], { circles, place }: SceneState) => {
    const from = circles[at[0]!]!.centre
    return [...at.map((i) => circles[i]!.centre), ...pixels.map(place)].flatMap(([x, y]) => [x - from[0], y - from[1]])
  }
  const figures = propagate(found, taps, outputs)
  const placed = (i: number): Placed => ({
    x: figures[2 * i]!.value,
    y: figures[2 * i + 1]!.value,
    sigma: Math.sqrt(Math.max(figures[2 * i]!.variance, figures[2 * i + 1]!.variance))
  })
  return {
    centres: Object.fromEntries(ids.map((id, i) => [id, placed(i)])),
    points: Object.fromEntries(names.map((name, i) => [name, placed(ids.length + i)]))
  }
}

interface Figure {
  value: number
  variance: number
  /** Parts of the variance. */
  taps: number
  behind: number
}

/** Figures over all ways to see the picture: mean, variance between and within them. */
function propagate(
  { scenes, weights, tap }: Found,
  pixels: readonly Point[],
  from: (pixels: readonly Point[], state: SceneState) => number[]
): Figure[] {
  const each = scenes.map((scene) => propagateScene(scene, tap, pixels, from))
  const total = weights.reduce((sum, weight) => sum + weight, 0)
  return each[0]!.map((_, k) => {
    const mean = (part: keyof Figure) => each.reduce((sum, one, i) => sum + weights[i]! * one[k]![part], 0) / total
    const value = mean('value')
    const between = each.reduce((sum, one, i) => sum + weights[i]! * (one[k]!.value - value) ** 2, 0) / total
    return { value, variance: mean('variance') + between, taps: mean('taps'), behind: mean('behind') }
  })
}

/** Figures of one way to see it, by their derivatives. */
function propagateScene(
  { fit: { at, covariance }, read, above }: Scene,
  tap: number,
  pixels: readonly Point[],
  from: (pixels: readonly Point[], state: SceneState) => number[]
): Figure[] {
  const state = read(at)
  const values = from(pixels, state)
  const byUnknown = at.map((value, i) => {
    const step = 1e-3 * Math.max(Math.sqrt(covariance[i]![i]!), 1e-9)
    const moved = (by: number) => from(pixels, read(at.map((other, k) => (k === i ? value + by : other))))
    const [ahead, behind] = [moved(step), moved(-step)]
    return ahead.map((a, k) => (a - behind[k]!) / (2 * step))
  })
  const byTap = pixels.flatMap((_, i) =>
    ([0, 1] as const).map((axis) => {
      const moved = (by: number) =>
        from(
          pixels.map((p, k): Point => (k === i ? [p[0] + (axis === 0 ? by : 0), p[1] + (axis === 1 ? by : 0)] : p)),
          state
        )
      const [ahead, behind] = [moved(0.5), moved(-0.5)]
      return ahead.map((a, k) => a - behind[k]!)
    })
  )
  return values.map((value, k) => {
    const seen = at.reduce(
      (sum, _, i) =>
        sum + byUnknown[i]![k]! * at.reduce((inner, __, j) => inner + covariance[i]![j]! * byUnknown[j]![k]!, 0),
      0
    )
    const taps = byTap.reduce((sum, by) => sum + (tap * by[k]!) ** 2, 0)
    const behind = byUnknown[above]![k]! ** 2 * covariance[above]![above]!
    return { value, variance: seen + taps, taps, behind: Math.min(behind, seen) }
  })
}
