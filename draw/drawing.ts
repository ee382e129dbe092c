import { arc, line, curveLinearClosed } from 'd3-shape'
import type { ChainPicture, RailPicture, SprocketPicture } from '../core/drive'
import { along, type Point, unit } from '../core/math'

/** From the sheet's plane (mm, y up) to the screen (px, y down). */
export interface Projection {
  scale: number
  x(mm: number): number
  y(mm: number): number
}

/** Fits pictures into a width and height in px, leaving room at both sides for labels. */
export function fitPictures(
  pictures: readonly ChainPicture[],
  width: number,
  height: number,
  side: number
): Projection {
  const points = pictures.flatMap(outline)
  const xs = points.map((p) => p[0])
  const ys = points.map((p) => p[1])
  const [left, right, bottom, top] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
  const margin = 34
  const scale = Math.min((width - 2 * side) / (right - left), (height - 2 * margin) / (top - bottom))
  const centreX = width / 2 - (scale * (left + right)) / 2
  const centreY = height / 2 + (scale * (bottom + top)) / 2
  return { scale, x: (mm) => centreX + scale * mm, y: (mm) => centreY - scale * mm }
}

/** How wide pictures are, mm. */
export function widthOf(pictures: readonly ChainPicture[]): number {
  const xs = pictures.flatMap(outline).map((p) => p[0])
  return xs.length > 0 ? Math.max(...xs) - Math.min(...xs) : 0
}

/** Room for a tensioner's body behind its plunger, mm. */
const TAIL = 16

function outline({ pins, sprockets, tensioner }: ChainPicture): Point[] {
  const tails = tensioner ? [along(tensioner.seat, tensioner.axis, -tensioner.stroke - TAIL)] : []
  const rims = sprockets.flatMap(({ centre: [x, y], radius: r }): Point[] => [
    [x - r, y - r],
    [x + r, y + r]
  ])
  return [...pins, ...tails, ...rims]
}

/**
 * A sprocket's outline: a tooth between every two pins, seated pins in the gaps. Screen coordinates about its centre.
 */
export function toothPath({ radius, teeth, pinAngle }: SprocketPicture, pitch: number, scale: number): string {
  const step = (2 * Math.PI) / teeth
  const root = (radius - 0.34 * pitch) * scale
  const tip = (radius + 0.26 * pitch) * scale
  const points = Array.from({ length: teeth }, (_, k) => k).flatMap((k) => {
    const gap = (-pinAngle * Math.PI) / 180 + k * step
    return (
      [
        [root, 0.14],
        [tip, 0.4],
        [tip, 0.6],
        [root, 0.86]
      ] as const
    ).map(([r, part]): [number, number] => [r * Math.cos(gap + part * step), r * Math.sin(gap + part * step)])
  })
  return line().curve(curveLinearClosed)(points) ?? ''
}

/** Thickness of a rail's lining and of its body, mm. */
const LINING = 3
const BODY = 8
/** A guide's lining runs on beyond where the chain lies, mm. */
const RAMP = 24

/** A rail's lining and body as ring sectors about its circle's centre, on the side away from the chain. */
export function railPaths(rail: RailPicture, pitch: number, scale: number): { lining: string; body: string } {
  const face = rail.radius - 0.42 * pitch
  const [from, to] = railEnds(rail)
  const sector = (inner: number, outer: number) =>
    arc()({
      innerRadius: inner * scale,
      outerRadius: outer * scale,
      startAngle: clockwiseFromUp(to),
      endAngle: clockwiseFromUp(from)
    }) ?? ''
  return { lining: sector(face - LINING, face), body: sector(face - LINING - BODY, face - LINING) }
}

/** Directions in which a rail begins and ends, seen from its circle's centre. */
function railEnds({ radius, from, to, pivot }: RailPicture): [number, number] {
  const over = ((pivot ? 6 : RAMP) / radius) * (180 / Math.PI)
  return [from - over, to + over]
}

function clockwiseFromUp(angle: number): number {
  return ((90 - angle) * Math.PI) / 180
}

/** Screen point at a direction (degrees, anticlockwise from +x) and distance from the origin. */
export function polar(angle: number, radius: number): { x: number; y: number } {
  const a = (angle * Math.PI) / 180
  return { x: radius * Math.cos(a), y: -radius * Math.sin(a) }
}

/** Labels of one side spread out so that none covers another, in the order of what they point at. */
export function spread(wanted: readonly number[], gap: number, top: number, bottom: number): number[] {
  const order = wanted.map((_, i) => i).sort((a, b) => wanted[a]! - wanted[b]!)
  const placed = new Array<number>(wanted.length)
  let least = top
  for (const i of order) {
    placed[i] = Math.max(wanted[i]!, least)
    least = placed[i]! + gap
  }
  let most = bottom
  for (const i of order.toReversed()) {
    placed[i] = Math.min(placed[i]!, most)
    most = placed[i]! - gap
  }
  return placed
}

/**
 * A count's place on the screen (its centre), and the middle of its run where it stands too far off to be seen as its
 * own.
 */
export interface RunPlace {
  x: number
  y: number
  tie: { x: number; y: number } | null
}

/** Half a count's box with air about it, and how far apart counts must be to be touched, px. */
const HALF = { x: 19, y: 13 }
const APART = { x: 46, y: 44 }
/** Steps away from the run and along it that are tried, px. */
const AWAY = [25, 34, 44, 56, 70]
const ALONG = [0, 22, -22, 44, -44]
const STEPS = AWAY.flatMap((away) =>
  ALONG.flatMap((onward) =>
    [1, -1].map((side) => ({ away: side * away, onward, cost: away + 0.8 * Math.abs(onward) + (side < 0 ? 12 : 0) }))
  )
).sort((a, b) => a.cost - b.cost)

/** Where each run's count stands on the screen: as near its middle as nothing else lies. */
export function runPlaces(
  pictures: readonly ChainPicture[],
  projection: Projection
): Map<ChainPicture['runs'][number], RunPlace> {
  const { x, y } = projection
  const solid = pictures.flatMap((picture) => solidPoints(picture, projection))
  const places = new Map<ChainPicture['runs'][number], RunPlace>()
  for (const run of pictures.flatMap((p) => p.runs)) {
    const [cx, cy] = run.clear
    const middle = { x: x(run.at[0]), y: y(run.at[1]) }
    let best: { place: RunPlace; cost: number } = { place: { ...middle, tie: null }, cost: Infinity }
    for (const { away, onward, cost } of STEPS) {
      if (cost >= best.cost) break
      const at = { x: middle.x + away * cx + onward * cy, y: middle.y - away * cy + onward * cx }
      const covered = solid.filter((p) => Math.abs(p.x - at.x) < HALF.x && Math.abs(p.y - at.y) < HALF.y).length
      const shut = [...places.values()].filter(
        (p) => Math.abs(p.x - at.x) < APART.x && Math.abs(p.y - at.y) < APART.y
      ).length
      const total = cost + 100 * covered + 10_000 * shut
      if (total < best.cost) best = { place: { ...at, tie: cost > AWAY[0]! ? middle : null }, cost: total }
    }
    places.set(run, best.place)
  }
  return places
}

/** Points of what is drawn of a drive, on the screen, close enough together that no count fits between them. */
function solidPoints(picture: ChainPicture, projection: Projection): { x: number; y: number }[] {
  return [...partPoints(picture, projection).values()].flat()
}

/** Points of each part that is drawn of a chain's drive, on the screen, by its id; the chain's own by the chain's. */
export function partPoints(
  { chain, pins, rails, sprockets, tensioner }: ChainPicture,
  { x, y }: Projection
): Map<string, { x: number; y: number }[]> {
  const shown = (points: readonly Point[]) => points.map((p) => ({ x: x(p[0]), y: y(p[1]) }))
  const back = (rail: RailPicture): Point[] => {
    const { centre, radius } = rail
    const [from, to] = railEnds(rail)
    const steps = Math.ceil((radius * (to - from) * Math.PI) / 180 / BODY)
    return [LINING, LINING + BODY].flatMap((depth) =>
      Array.from({ length: steps + 1 }, (_, i) => along(centre, unit(from + (i * (to - from)) / steps), radius - depth))
    )
  }
  const wheel = ({ centre, radius }: SprocketPicture) =>
    [0, 0.4, 0.7, 0.95].flatMap((part) =>
      Array.from({ length: 24 }, (_, i) => along(centre, unit(15 * i), part * radius))
    )
  const body = tensioner
    ? Array.from({ length: 8 }, (_, i) =>
        along(tensioner.tip, tensioner.axis, (-i / 7) * (tensioner.extension + tensioner.stroke + TAIL))
      )
    : []
  return new Map([
    [chain, shown(pins)],
    ...rails.map((rail) => [rail.id, shown(back(rail))] as const),
    ...sprockets.map((sprocket) => [sprocket.id, shown(wheel(sprocket))] as const),
    ...(tensioner ? [[tensioner.id, shown(body)] as const] : [])
  ])
}
