import type { Point } from './vector'

/** Pieces that a line is cut into from one of its corners to the next. */
const PIECES = 6

/**
 * The smooth line through taps, as a chain runs between them (the centripetal curve of E. Catmull and R. Rom, with the
 * knots of P. Barry and R. Goldman, 1988).
 */
export function smoothLine(line: readonly Point[]): Point[] {
  if (line.length < 3) return [...line]
  const mirrored = (at: Point, about: Point): Point => [2 * about[0] - at[0], 2 * about[1] - at[1]]
  const all = [mirrored(line[1]!, line[0]!), ...line, mirrored(line.at(-2)!, line.at(-1)!)]
  return [
    line[0]!,
    ...line.slice(1).flatMap((_, i) => {
      const corners = all.slice(i, i + 4)
      return Array.from({ length: PIECES }, (__, k) => onCurve(corners, (k + 1) / PIECES))
    })
  ]
}

/** A share of the way from the second of four corners to the third. */
function onCurve(corners: readonly Point[], share: number): Point {
  const knots = [0]
  for (let i = 1; i < 4; i++) {
    const [a, b] = [corners[i - 1]!, corners[i]!]
    knots.push(knots[i - 1]! + Math.max(1e-6, Math.sqrt(Math.hypot(b[0] - a[0], b[1] - a[1]))))
  }
  const t = knots[1]! + share * (knots[2]! - knots[1]!)
  let points = [...corners]
  for (let level = 1; level < 4; level++)
    points = points.slice(1).map((b, i): Point => {
      const a = points[i]!
      // The middle level spans the same knots as the inner two.
      const [from, to] =
        level === 2 ? [knots[i]!, knots[i + 2]!] : level === 1 ? [knots[i]!, knots[i + 1]!] : [knots[1]!, knots[2]!]
      const by = (t - from) / (to - from)
      return [a[0] + by * (b[0] - a[0]), a[1] + by * (b[1] - a[1])]
    })
  return points[0]!
}
