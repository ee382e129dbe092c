import { NINETY, type Point } from '../math'
import { type Arc, ARC_START, arcOf, FLATNESS, offArc } from './arcs'
import { type Camera, heightAbove, planeOf, type Size } from './camera'
import { CARDS, type CardId, cornersOf } from './cards'
import { cameraFrom } from './homography'
import { type Fit, fitLeastSquares } from './leastSquares'
import { type Loop, overlapOf, wayRound } from './loops'

/** What is known of the plane that is looked at, and what is tapped on it. Pixels, mm. */
export interface SceneInput {
  size: Size
  /** px, of the picture's own data. */
  focal?: number | undefined
  /** mm by which the card lies behind what is measured; not said, it is uncertain. */
  behind?: number | undefined
  /** px: standard deviation of a tap. */
  tap: number
  /** `scale`: of the card as it is printed. */
  cards: readonly { card: CardId; scale: number; codes: readonly { place: number; corners: readonly Point[] }[] }[]
  /** Two points whose distance is known, with its own uncertainty. */
  lengths: readonly { a: Point; b: Point; mm: number; sigma: number }[]
  /** Circles of known radius; its uncertainty where it is not quite. */
  circles: readonly { radius: number; sigma: number; points: readonly Point[] }[]
  /** Pieces of circles of unknown radius, their points in order with the centre at the left. */
  arcs: readonly { points: readonly Point[] }[]
  /** Chains that have to close round circles and arcs. */
  loops: readonly Loop[]
}

/** A camera and circles that explain a picture. */
export interface SceneState {
  camera: Camera
  /** mm by which what is measured stands before the plane of the card. */
  above: number
  circles: readonly { centre: Point; radius: number }[]
  arcs: readonly Arc[]
  /** Where a pixel lies in the plane of what is measured, mm. */
  place: (pixel: Point) => Point
}

/** One way to explain a picture: its unknowns, their covariance, and how it is read as a scene. */
export interface Scene {
  fit: Fit
  read: (at: readonly number[]) => SceneState
  /** px: standard deviation of the card's corners, as they agree with each other; null without a card. */
  corner: number | null
  /** Place in the unknowns of how far the card lies behind. */
  above: number
}

/** Standard deviations of what is assumed. */
const DOUBT = {
  /** Of the logarithm of the focal length: told by the picture's data, and not. */
  focalTold: 0.02,
  focal: 0.25,
  /** Of the optical axis, as a share of the longer side. */
  middle: 0.004,
  lens: 0.06,
  /** mm between card and what is measured, where nobody says: ±3 mm hold 90 %. */
  behind: 3 / NINETY,
  behindTold: 0.05,
  /** Radians by which a camera is held out of square, where no card shows it. */
  tilt: 0.14,
  /** mm across and radians by which an arc lies off its taps, and how flat it is. */
  arc: [20, 0.5, FLATNESS],
  /** px of a card's corner, before they are compared with each other. */
  corner: 0.3,
  fixed: 1e-4
} as const

/** A phone's focal length as a share of its picture's longer side. */
const USUAL_FOCAL = 0.75
/** mm from which pictures are taken. */
const USUAL_DISTANCE = 450
/** Corners that are agreed with as much as the assumption of how well they are found. */
const CORNER_WEIGHT = 6
/** Points from which a lens is fitted. */
const LENS_FROM = 8

/** Places of the unknowns before those of the circles. */
const AT = { turn: 0, aim: 3, distance: 5, focal: 6, middle: 7, lens: 9, above: 10, circles: 11 } as const
const STEPS = [1e-5, 1e-5, 1e-5, 1e-5, 1e-5, 1e-5, 1e-4, 1e-2, 1e-2, 1e-4, 1e-3]

/**
 * Every camera that explains what was tapped, best first: one where a card shows the plane; without one, a circle seen
 * as an ellipse may be tilted either way.
 * @returns empty where nothing gives a scale, or the points do not determine a plane
 */
export function fitScenes(input: SceneInput): Scene[] {
  if (input.cards.length > 0) {
    const first = fitScene(input, startOnCard(input), DOUBT.corner)
    const scene = first && sharpened(input, first)
    return scene ? [scene] : []
  }
  // Circles alone tell how the camera is held; curves and chains join where that is known.
  const plain = { ...input, arcs: [], loops: [] }
  const found = likely(startsWithoutCard(plain).flatMap((start) => fitScene(plain, start, DOUBT.corner) ?? []))
  if (input.arcs.length === 0 && input.loops.length === 0) return found
  const curves = input.arcs.flatMap(() => ARC_START)
  return likely(found.flatMap(({ fit }) => fitScene(input, [...fit.at, ...curves], DOUBT.corner) ?? []))
}

function likely(found: readonly Scene[]): Scene[] {
  const best = Math.min(...found.map(({ fit }) => fit.cost))
  return apart(found.filter(({ fit }) => fit.cost < best + LIKELY).sort((a, b) => a.fit.cost - b.fit.cost))
}

/** A way that is so much worse than the best (in χ²) is none. */
const LIKELY = 12

/** Each way once. */
function apart(scenes: readonly Scene[]): Scene[] {
  return scenes.filter(
    ({ fit: { at } }, i) =>
      !scenes.slice(0, i).some((other) => [0, 1].every((k) => Math.abs(other.fit.at[k]! - at[k]!) < 0.02))
  )
}

/** The fit once more, with the card's corners as uncertain as they disagree with each other. */
function sharpened(input: SceneInput, first: Scene): Scene | null {
  const corners = cornerResiduals(input, first.read(first.fit.at), 1)
  const spread = corners.reduce((sum, r) => sum + r * r, 0)
  const free = Math.max(0, corners.length - 9)
  const corner = Math.sqrt((CORNER_WEIGHT * DOUBT.corner ** 2 + spread) / (CORNER_WEIGHT + free))
  const again = fitScene(input, first.fit.at, corner)
  return again && { ...again, corner }
}

function fitScene(input: SceneInput, start: readonly number[] | null, corner: number): Scene | null {
  if (!start) return null
  const read = (at: readonly number[]) => readScene(input, at)
  const residuals = (at: readonly number[]) => {
    const state = read(at)
    return [
      ...priors(input, at),
      ...cornerResiduals(input, state, corner),
      ...input.lengths.map((length) => lengthResidual(input, state, length)),
      ...input.circles.flatMap((circle, i) => circleResiduals(input, state, circle, i)),
      ...input.arcs.flatMap(({ points }, i) => arcResiduals(input, state, points, i)),
      ...input.loops.flatMap((loop) => loopResiduals(state, loop))
    ]
  }
  const steps = [
    ...STEPS,
    ...input.circles.flatMap(() => [1e-3, 1e-3, 1e-3]),
    ...input.arcs.flatMap(() => [1e-3, 1e-5, 1e-4])
  ]
  const fit = fitLeastSquares(residuals, start, steps)
  return fit && { fit, read, corner: null, above: AT.above }
}

function readScene({ size, circles, arcs }: SceneInput, at: readonly number[]): SceneState {
  const camera: Camera = {
    turn: [at[0]!, at[1]!, at[2]!],
    aim: [at[AT.aim]!, at[AT.aim + 1]!],
    distance: Math.exp(at[AT.distance]!),
    focal: Math.exp(at[AT.focal]!),
    middle: [at[AT.middle]!, at[AT.middle + 1]!],
    lens: at[AT.lens]!
  }
  const above = at[AT.above]!
  const place = planeOf(camera, size, above)
  const ofArcs = AT.circles + 3 * circles.length
  return {
    camera,
    above,
    circles: circles.map(({ radius }, i) => {
      const k = AT.circles + 3 * i
      return { centre: [at[k]!, at[k + 1]!], radius: radius + at[k + 2]! }
    }),
    arcs: arcs.map(({ points }, i) => {
      const k = ofArcs + 3 * i
      return arcOf(points.map(place), [at[k]!, at[k + 1]!, at[k + 2]!])
    }),
    place
  }
}

/** What is assumed of cameras and of how a picture is taken. */
function priors(input: SceneInput, at: readonly number[]): number[] {
  const { size, focal, behind, cards, circles, arcs } = input
  const ofArcs = AT.circles + 3 * circles.length
  const longer = Math.max(...size)
  const onCard = cards.length > 0
  const usual = Math.log(focal ?? USUAL_FOCAL * longer)
  return [
    ...(onCard
      ? []
      : [
          at[0]! / DOUBT.tilt,
          at[1]! / DOUBT.tilt,
          at[2]! / DOUBT.fixed,
          at[AT.aim]! / DOUBT.fixed,
          at[AT.aim + 1]! / DOUBT.fixed
        ]),
    (at[AT.distance]! - Math.log(USUAL_DISTANCE)) / 3,
    (at[AT.focal]! - usual) / (focal === undefined ? DOUBT.focal : DOUBT.focalTold),
    at[AT.middle]! / (DOUBT.middle * longer),
    at[AT.middle + 1]! / (DOUBT.middle * longer),
    at[AT.lens]! / (tappedIn(input) >= LENS_FROM ? DOUBT.lens : DOUBT.lens / 4),
    (at[AT.above]! - (onCard ? (behind ?? 0) : 0)) /
      (onCard ? (behind === undefined ? DOUBT.behind : DOUBT.behindTold) : DOUBT.fixed),
    ...circles.map(({ sigma }, i) => at[AT.circles + 3 * i + 2]! / Math.max(sigma, DOUBT.fixed)),
    ...arcs.flatMap((_, i) => DOUBT.arc.map((sigma, k) => at[ofArcs + 3 * i + k]! / sigma))
  ]
}

/** Points that say something of the lens. */
function tappedIn({ cards, circles }: SceneInput): number {
  const corners = cards.reduce((sum, { codes }) => sum + 4 * codes.length, 0)
  return corners + circles.reduce((sum, { points }) => sum + points.length, 0)
}

/** How far each corner is seen from where it is, in pixels, over their uncertainty. */
function cornerResiduals({ size, cards }: SceneInput, { camera }: SceneState, sigma: number): number[] {
  if (cards.length === 0) return []
  const place = planeOf(camera, size)
  return cards.flatMap(({ card, scale, codes }) =>
    codes.flatMap(({ place: code, corners }) =>
      cornersOf(CARDS[card], code, scale).flatMap((at, i) => {
        const pixel = corners[i]!
        const [[a, b], [c, d]] = derivative(place, pixel)
        const [x, y] = place(pixel)
        const [dx, dy] = [x - at[0], y - at[1]]
        const det = a * d - b * c
        return [(d * dx - b * dy) / det / sigma, (a * dy - c * dx) / det / sigma]
      })
    )
  )
}

function lengthResidual(
  { tap }: SceneInput,
  { place }: SceneState,
  { a, b, mm, sigma }: SceneInput['lengths'][number]
): number {
  const [from, to] = [place(a), place(b)]
  const long = Math.hypot(to[0] - from[0], to[1] - from[1])
  const way: Point = [(to[0] - from[0]) / long, (to[1] - from[1]) / long]
  const doubt = Math.hypot(sigma, tap * along(derivative(place, a), way), tap * along(derivative(place, b), way))
  return (long - mm) / doubt
}

function circleResiduals(
  { tap }: SceneInput,
  { place, circles }: SceneState,
  { points }: SceneInput['circles'][number],
  i: number
): number[] {
  const { centre, radius } = circles[i]!
  return points.map((pixel) => {
    const [x, y] = place(pixel)
    const out = Math.hypot(x - centre[0], y - centre[1])
    const way: Point = [(x - centre[0]) / out, (y - centre[1]) / out]
    return (out - radius) / (tap * along(derivative(place, pixel), way))
  })
}

function arcResiduals({ tap }: SceneInput, { place, arcs }: SceneState, points: readonly Point[], i: number): number[] {
  const arc = arcs[i]!
  return points.map((pixel) => offArc(arc, place(pixel)) / (tap * along(derivative(place, pixel), arc.across)))
}

/** A way that no chain can go is worse than any that it can: so much, and so much more for each mm of overlap. */
const NO_WAY = 200

/** mm of a straight between neighbours: drives have more; and its standard deviation below that. */
const STRAIGHT = { least: 6, sigma: 2 }

/** How far a chain is from closing, and how near its neighbours stand to no straight between them. */
function loopResiduals({ circles, arcs }: SceneState, loop: Loop): number[] {
  const way = wayRound(loop, circles, arcs)
  if (!way) return [NO_WAY * (1 + overlapOf(loop, circles, arcs)), 0]
  const short = way.contour.straight.reduce((sum, mm) => sum + Math.max(0, STRAIGHT.least - mm), 0)
  return [(way.links - loop.links) / loop.sigma, short / STRAIGHT.sigma]
}

type Derivative = readonly [Point, Point]

/** mm by pixel: how a place moves with its pixel, rows x and y. */
export function derivative(place: (pixel: Point) => Point, [u, v]: Point): Derivative {
  const [right, left, down, up] = [place([u + 0.5, v]), place([u - 0.5, v]), place([u, v + 0.5]), place([u, v - 0.5])]
  return [
    [right[0] - left[0], down[0] - up[0]],
    [right[1] - left[1], down[1] - up[1]]
  ]
}

/** mm along a direction for a pixel's standard deviation either way. */
export function along([[a, b], [c, d]]: Derivative, [x, y]: Point): number {
  return Math.hypot(x * a + y * c, x * b + y * d)
}

/** The unknowns of a camera that shows the card where it is seen. */
function startOnCard(input: SceneInput): number[] | null {
  const { size, focal, behind = 0, cards } = input
  const pairs = cards.flatMap(({ card, scale, codes }) =>
    codes.flatMap(({ place, corners }) =>
      cornersOf(CARDS[card], place, scale).map((at, i) => ({ at, pixel: corners[i]! }))
    )
  )
  const camera = cameraFrom(pairs, size, focal ?? USUAL_FOCAL * Math.max(...size))
  return camera && unknowns(input, camera, behind)
}

/** Tilts, radians, that a picture without a card is tried with. */
const TILTS = [0, 0.3, -0.3]

/** Cameras square before the plane and tilted either way, at the distance that the known lengths say. */
function startsWithoutCard(input: SceneInput): (number[] | null)[] {
  const { size, lengths, circles } = input
  const focal = input.focal ?? USUAL_FOCAL * Math.max(...size)
  const scales = [
    ...lengths.map(({ a, b, mm }) => mm / Math.hypot(b[0] - a[0], b[1] - a[1])),
    ...circles.flatMap(({ points, radius }) => {
      const seen = circleThrough(points)
      return seen ? [radius / seen.radius] : []
    })
  ].filter((scale) => Number.isFinite(scale) && scale > 0)
  if (scales.length === 0) return []
  const scale = scales.reduce((sum, one) => sum + one, 0) / scales.length
  const ways = circles.length > 0 ? TILTS.flatMap((x) => TILTS.map((y) => [x, y] as const)) : [[0, 0] as const]
  return ways.map(([x, y]) =>
    unknowns(input, { turn: [x, y, 0], aim: [0, 0], distance: scale * focal, focal, middle: [0, 0], lens: 0 }, 0)
  )
}

/** A start for all unknowns: circles lie where their points do. */
function unknowns(input: SceneInput, camera: Camera, above: number): number[] {
  const place = planeOf(camera, input.size, above)
  return [
    ...camera.turn,
    ...camera.aim,
    Math.log(camera.distance),
    Math.log(camera.focal),
    ...camera.middle,
    camera.lens,
    above,
    ...input.circles.flatMap(({ points, radius }) => [...centreOf(points.map(place), radius), 0]),
    ...input.arcs.flatMap(() => ARC_START)
  ]
}

/** The middle of a circle of known radius through points of a piece of it. */
function centreOf(points: readonly Point[], radius: number): Point {
  const mean: Point = [
    points.reduce((sum, [x]) => sum + x, 0) / points.length,
    points.reduce((sum, [, y]) => sum + y, 0) / points.length
  ]
  const seen = circleThrough(points)
  if (!seen) return mean
  const [dx, dy] = [seen.centre[0] - mean[0], seen.centre[1] - mean[1]]
  const far = Math.hypot(dx, dy)
  // A whole rim has its middle at the mean; of a piece the middle lies further off than its points by what they bulge.
  const reach = far < 1e-9 ? 0 : Math.min(far * (radius / seen.radius), radius)
  return far < 1e-9 ? mean : [mean[0] + (dx / far) * reach, mean[1] + (dy / far) * reach]
}

/** The circle through points by least squares of its equation (I. Kåsa, 1976); null where they lie on a line. */
export function circleThrough(points: readonly Point[]): { centre: Point; radius: number } | null {
  if (points.length < 3) return null
  const n = points.length
  const [mx, my] = [points.reduce((s, [x]) => s + x, 0) / n, points.reduce((s, [, y]) => s + y, 0) / n]
  const sums = { uu: 0, uv: 0, vv: 0, uz: 0, vz: 0, z: 0 }
  for (const [x, y] of points) {
    const [u, v] = [x - mx, y - my]
    const z = u * u + v * v
    sums.uu += u * u
    sums.uv += u * v
    sums.vv += v * v
    sums.uz += u * z
    sums.vz += v * z
    sums.z += z
  }
  const det = sums.uu * sums.vv - sums.uv ** 2
  if (det < 1e-9 * (sums.uu + sums.vv) ** 2) return null
  const [a, b] = [
    (sums.uz * sums.vv - sums.vz * sums.uv) / (2 * det),
    (sums.vz * sums.uu - sums.uz * sums.uv) / (2 * det)
  ]
  return { centre: [mx + a, my + b], radius: Math.sqrt(sums.z / n + a * a + b * b) }
}

/** mm from the camera to what is measured, square to it. */
export function distanceOf({ camera, above }: SceneState): number {
  return heightAbove(camera) - above
}
