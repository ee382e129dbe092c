import type { Point } from '../math'

/**
 * A piece of a circle of unknown radius by its middle, the way across it and its bend: a nearly flat one is told as
 * well as a round one.
 */
export interface Arc {
  at: Point
  /** Unit vector across it, towards its centre. */
  across: Point
  /** 1/mm. */
  bend: number
}

/** An arc's unknowns: mm across and radians turned from its taps, and how flat it is (see USUAL_RADIUS). */
export type ArcUnknowns = readonly [off: number, turn: number, flat: number]

/** mm: a shoe's radius is this times e to the power of `flat`, whose standard deviation is FLATNESS. */
const USUAL_RADIUS = 220
export const FLATNESS = 0.6

/**
 * Taps along a piece of a curve in the order in which they lie on it, whichever way they were tapped: with its centre
 * at the left, or at the right of the way along it, as the picture shows it.
 * @param towards px: something that lies on the side of the centre, or on the other
 */
export function inOrder(points: readonly Point[], towards: Point, isCentre: boolean): Point[] {
  const sorted = along(points)
  const [[ax, ay], [bx, by]] = [sorted[0]!, sorted.at(-1)!]
  // y runs down in a picture: what is at the left has this below 0.
  const left = (bx - ax) * (towards[1] - ay) - (by - ay) * (towards[0] - ax) < 0
  return left === isCentre ? sorted : sorted.reverse()
}

function along(points: readonly Point[]): Point[] {
  let far: readonly [Point, Point] = [points[0]!, points[0]!]
  let most = -1
  points.forEach((a, i) =>
    points.slice(i + 1).forEach((b) => {
      const apart = Math.hypot(b[0] - a[0], b[1] - a[1])
      if (apart > most) [far, most] = [[a, b], apart]
    })
  )
  const [[ax, ay], [bx, by]] = far
  const place = ([x, y]: Point) => (x - ax) * (bx - ax) + (y - ay) * (by - ay)
  return [...points].sort((a, b) => place(a) - place(b))
}

/** The arc that unknowns come to, over its taps in their order as they lie in the plane, mm. */
export function arcOf(points: readonly Point[], [off, turn, flat]: ArcUnknowns): Arc {
  const [from, middle, to] = [points[0]!, points[points.length >> 1]!, points.at(-1)!]
  const way = Math.atan2(to[1] - from[1], to[0] - from[0]) + turn + Math.PI / 2
  const across: Point = [Math.cos(way), Math.sin(way)]
  return {
    at: [middle[0] + off * across[0], middle[1] + off * across[1]],
    across,
    bend: Math.exp(-flat) / USUAL_RADIUS
  }
}

/** mm by which a point lies off an arc, towards its centre. */
export function offArc({ at, across, bend }: Arc, [x, y]: Point): number {
  const [dx, dy] = [x - at[0], y - at[1]]
  const [toCentre, square] = [dx * across[0] + dy * across[1], dx * dx + dy * dy]
  // R − |p − c| without the difference of two large numbers.
  return (2 * toCentre - bend * square) / (1 + Math.sqrt(Math.max(0, 1 - 2 * bend * toCentre + bend * bend * square)))
}

/** The circle that an arc is a piece of, mm. */
export function circleOf({ at, across, bend }: Arc): { centre: Point; radius: number } {
  return { centre: [at[0] + across[0] / bend, at[1] + across[1] / bend], radius: 1 / bend }
}

/** Where the fit of an arc starts: as usual shoes are. */
export const ARC_START: ArcUnknowns = [0, 0, 0]
