import type { Point } from '../math'
import { brightnessAt, type Gray } from './gray'

/** A straight edge: a point on it, and its direction. */
interface Line {
  at: Point
  way: Point
}

/** Where along a side it is looked for its edge: clear of the corners, which blur rounds off. */
const [FROM, TO, LOOKS] = [0.12, 0.88, 28]
/** Looks that must show the edge, and px that they may stand off the line through them. */
const [SEEN, OFF] = [0.55, 0.6]
/** Brightness that an edge gains over its blur. */
const CONTRAST = 18

/**
 * Corners of a dark square on bright ground, where its sides cross: each side is the line through the steepest
 * places of looks across it.
 * @param near corners to within a few pixels, clockwise
 * @returns null where a side is not to be seen (covered, out of focus, glare)
 */
export function sharpenCorners(picture: Gray, near: readonly Point[]): Point[] | null {
  const side = Math.hypot(near[1]![0] - near[0]![0], near[1]![1] - near[0]![1])
  const rough = crossSides(picture, near, Math.max(4, side * 0.06))
  return rough && crossSides(picture, rough, 3.5)
}

function crossSides(picture: Gray, corners: readonly Point[], reach: number): Point[] | null {
  const sides = corners.map((corner, i) => edgeBetween(picture, corner, corners[(i + 1) % 4]!, reach))
  const crossed = sides.map((side, i) => {
    const before = sides[(i + 3) % 4]
    return side && before ? crossing(before, side) : null
  })
  return crossed.every((point) => point !== null) ? crossed : null
}

/** The edge from one corner to the next, dark at its right (seen along it, y down). */
function edgeBetween(picture: Gray, a: Point, b: Point, reach: number): Line | null {
  const long = Math.hypot(b[0] - a[0], b[1] - a[1])
  if (!(long > 6)) return null
  const way: Point = [(b[0] - a[0]) / long, (b[1] - a[1]) / long]
  const out: Point = [way[1], -way[0]]
  const points: Point[] = []
  for (let i = 0; i < LOOKS; i++) {
    const share = FROM + ((TO - FROM) * i) / (LOOKS - 1)
    const from: Point = [a[0] + share * (b[0] - a[0]), a[1] + share * (b[1] - a[1])]
    const off = steepest(picture, from, out, reach)
    if (off !== null) points.push([from[0] + off * out[0], from[1] + off * out[1]])
  }
  return lineThrough(points)
}

/** px outward at which brightness rises most: the middle of the rise. */
function steepest(picture: Gray, from: Point, out: Point, reach: number): number | null {
  const step = 0.5
  const count = Math.ceil((2 * reach) / step)
  const shown = Array.from({ length: count + 1 }, (_, k) => {
    const off = -reach + k * step
    return brightnessAt(picture, [from[0] + off * out[0], from[1] + off * out[1]])
  })
  const rise = shown.slice(2).map((value, k) => value - shown[k]!)
  const top = rise.indexOf(Math.max(...rise))
  if (rise[top]! < CONTRAST) return null
  let [sum, moment] = [0, 0]
  for (let k = Math.max(0, top - 4); k <= Math.min(rise.length - 1, top + 4); k++) {
    const weight = Math.max(0, rise[k]! - 0.15 * rise[top]!)
    sum += weight
    moment += weight * k
  }
  return -reach + (moment / sum + 1) * step
}

/** The line through most of the points; null where too few lie on one. */
function lineThrough(points: readonly Point[]): Line | null {
  let kept = points
  let line: Line | null = null
  for (let round = 0; round < 4; round++) {
    if (kept.length < SEEN * LOOKS) return null
    line = straight(kept)
    const off = kept.map((point) => distance(line!, point))
    const most = Math.max(OFF / 3, 2.2 * median(off))
    const next = kept.filter((_, i) => off[i]! <= most)
    if (next.length === kept.length) break
    kept = next
  }
  const rough = line && Math.sqrt(kept.reduce((sum, point) => sum + distance(line!, point) ** 2, 0) / kept.length)
  return rough !== null && rough < OFF && kept.length >= SEEN * LOOKS ? line : null
}

function distance({ at, way }: Line, [x, y]: Point): number {
  return Math.abs((x - at[0]) * way[1] - (y - at[1]) * way[0])
}

/** The line with the least squares of distances. */
function straight(points: readonly Point[]): Line {
  const n = points.length
  const at: Point = [points.reduce((s, [x]) => s + x, 0) / n, points.reduce((s, [, y]) => s + y, 0) / n]
  let [xx, xy, yy] = [0, 0, 0]
  for (const [x, y] of points) {
    xx += (x - at[0]) ** 2
    xy += (x - at[0]) * (y - at[1])
    yy += (y - at[1]) ** 2
  }
  const angle = 0.5 * Math.atan2(2 * xy, xx - yy)
  return { at, way: [Math.cos(angle), Math.sin(angle)] }
}

function crossing(a: Line, b: Line): Point | null {
  const det = a.way[0] * b.way[1] - a.way[1] * b.way[0]
  if (Math.abs(det) < 0.2) return null
  const t = ((b.at[0] - a.at[0]) * b.way[1] - (b.at[1] - a.at[1]) * b.way[0]) / det
  return [a.at[0] + t * a.way[0], a.at[1] + t * a.way[1]]
}

function median(values: readonly number[]): number {
  return [...values].sort((a, b) => a - b)[values.length >> 1] ?? 0
}
