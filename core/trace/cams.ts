import type { Edges } from './edges'
import { type CamPattern, CYCLE } from './types'

/** An edge of a cam's signal: the crank angle at which it came (counted on), and which way it went. */
export interface CamEdge {
  angle: number
  rising: boolean
  /** Which stretch of the crank without a fault it is in. */
  span: number
}

interface PatternEdge {
  angle: number
  rising: boolean
}

/** How a cam's edges lie on its pattern. */
export interface CamFit {
  /** crank degrees by which they come later, at each edge of the pattern. */
  shifts: { index: number; angle: number; shift: number; cycle: number }[]
  /** Edges of the pattern. */
  edges: number
  /** Share of the edges that lie on the pattern. */
  matched: number
  inverted: boolean
  /** By how much the crank's turns are the other ones of the cycle, by stretch: 0 or 360. */
  halves: ReadonlyMap<number, number>
}

/** crank degrees within which an edge is that of the pattern, once the pattern is laid on. */
const WITHIN = 9
/** crank degrees that a cam may be off either way: more is the other half of the cycle. */
const MOST_OFF = 175

/** Edges at their crank angles; those where the crank is not followed are left out. */
export function edgesAt(
  { rising, falling }: Edges,
  angleAt: (time: number) => number,
  spanOf: (angle: number) => number
): CamEdge[] {
  return [...rising.map((time) => ({ time, rising: true })), ...falling.map((time) => ({ time, rising: false }))]
    .sort((a, b) => a.time - b.time)
    .flatMap(({ time, rising: up }) => {
      const angle = angleAt(time)
      return Number.isNaN(angle) ? [] : [{ angle, rising: up, span: spanOf(angle) }]
    })
}

/** A difference of angles brought into a cycle about 0. */
export function wrapCycle(angle: number): number {
  const rest = ((angle % CYCLE) + CYCLE) % CYCLE
  return rest > CYCLE / 2 ? rest - CYCLE : rest
}

export function patternEdges(pattern: CamPattern, inverted = false): PatternEdge[] {
  return pattern
    .flatMap(([from, to]) => [
      { angle: from, rising: !inverted },
      { angle: to, rising: inverted }
    ])
    .sort((a, b) => a.angle - b.angle)
}

/**
 * How much later the edges come than on the pattern: whichever shift most of them share, the smallest of equal ones.
 * @param half crank degrees to be added to angles, as a trigger wheel does not tell the two turns of a cycle apart
 */
export function layOn(
  edges: readonly CamEdge[],
  pattern: readonly PatternEdge[],
  half: number
): { shift: number; matched: number } {
  const tried = new Map<number, number>()
  for (const edge of edges.slice(0, 2 * pattern.length + 2))
    for (const at of pattern) {
      if (at.rising !== edge.rising) continue
      const shift = Math.round(wrapCycle(edge.angle + half - at.angle))
      if (Math.abs(shift) <= MOST_OFF) tried.set(shift, 0)
    }
  let best = { shift: 0, matched: 0 }
  const looked = edges.slice(0, MOST_LOOKED)
  for (const shift of [...tried.keys()].sort((a, b) => Math.abs(a) - Math.abs(b))) {
    const matched = looked.filter((edge) => nearest(edge, pattern, half, shift) !== null).length
    if (matched > best.matched + 0.02 * looked.length) best = { shift, matched }
  }
  return { shift: best.shift, matched: looked.length > 0 ? best.matched / looked.length : 0 }
}

/** Edges by which a pattern is laid on. */
const MOST_LOOKED = 400

/** The edge of the pattern that this one is, at so much shift; null for none. */
function nearest(
  edge: CamEdge,
  pattern: readonly PatternEdge[],
  half: number,
  shift: number
): { index: number; off: number } | null {
  let best: { index: number; off: number } | null = null
  pattern.forEach((at, index) => {
    if (at.rising !== edge.rising) return
    const off = wrapCycle(edge.angle + half - at.angle - shift)
    if (Math.abs(off) <= WITHIN && (!best || Math.abs(off) < Math.abs(best.off))) best = { index, off }
  })
  return best
}

/** All edges on the pattern, each stretch of the crank with the half of the cycle that suits the shift. */
export function fitCam(
  edges: readonly CamEdge[],
  pattern: CamPattern,
  inverted: boolean,
  shift: number,
  halves: ReadonlyMap<number, number>
): CamFit {
  const own = patternEdges(pattern, inverted)
  const shifts = edges.flatMap((edge) => {
    const half = halves.get(edge.span) ?? 0
    const found = nearest(edge, own, half, shift)
    return found
      ? [
          {
            index: found.index,
            angle: edge.angle,
            shift: shift + found.off,
            cycle: Math.floor((edge.angle + half - shift) / CYCLE)
          }
        ]
      : []
  })
  return { shifts, edges: own.length, matched: edges.length > 0 ? shifts.length / edges.length : 0, inverted, halves }
}
