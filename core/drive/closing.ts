import { compileSheet, type Chain, type DriveSheet } from '../sheet'
import type { Point } from '../math'
import { isCharted } from './centred'
import { contourAt, linksRound } from './contour'
import { elementsOf, touchingRails } from './elements'

/** How far the new chain is from closing round its drive as drawn. */
export interface Closing {
  /** Links that the geometry takes with the arm as new. */
  links: number
  /** Those less the chain's own: above 0, the drawn drive is too long for it. */
  off: number
  /** The same as a length of chain, mm. */
  mm: number
}

/** How far a chain is from closing; null while it lacks coordinates or two neighbours overlap. */
export function closeChain(sheet: DriveSheet, chain: Chain): Closing | null {
  const complete =
    isCharted(sheet, chain) && touchingRails(sheet, chain).every((id) => compileSheet(sheet).rail(id).shoe)
  if (!complete) return null
  const elements = elementsOf(sheet, chain)
  const contour = contourAt(
    elements,
    0,
    touchingRails(sheet, chain).map(() => 0)
  )
  if (!contour) return null
  const links = linksRound(elements, contour, chain.pitch)
  const off = links - chain.links
  return { links, off, mm: off * chain.pitch }
}

/** A sprocket's centre as measured and as it closes the chain, mm. */
export interface Shift {
  sprocket: string
  from: Point
  to: Point
}

/** Step of the numeric slope, mm, and rounds of the search: each round cuts what is left about a hundredfold. */
const STEP = 0.01
const ROUNDS = 8
/** Links; far inside the tolerance a sheet is held to. */
const CLOSED = 1e-4
/** mm; a sprocket measured further off than this was not measured roughly but wrongly. */
const GREATEST_SHIFT = 6

/**
 * The smallest shift of the driven sprockets' centres that makes a new chain close, the driver standing still.
 *
 * With g the slope of the links over the centres' coordinates, the shift of least Σ(Δx² + Δy²) that takes `off` links
 * away is Δ = −off·g / |g|² (a linear equation solved in the least-norm sense); repeated until it closes, as the links
 * are nearly but not quite linear in the centres.
 * @returns the shifts, empty when it closes already; null where it cannot be computed or would move a sprocket by more
 *   than 6 mm
 */
export function smallestCorrection(sheet: DriveSheet, chain: Chain): Shift[] | null {
  const first = closeChain(sheet, chain)
  if (!first) return null
  if (Math.abs(first.off) < CLOSED) return []
  const movable = sheet.sprockets.filter(({ id }) => id !== chain.driver && chain.path.includes(id)).map(({ id }) => id)
  const moved = moveUntilClosed(sheet, chain, movable)
  if (!moved) return null
  const centreOf = (of: DriveSheet, id: string) => compileSheet(of).sprocket(id).centre ?? [NaN, NaN]
  const shifts = movable.map((id): Shift => ({
    sprocket: id,
    from: centreOf(sheet, id),
    to: roundPoint(centreOf(moved, id))
  }))
  const furthest = Math.max(...shifts.map(({ from, to }) => Math.hypot(to[0] - from[0], to[1] - from[1])))
  return furthest <= GREATEST_SHIFT ? shifts : null
}

function moveUntilClosed(sheet: DriveSheet, chain: Chain, movable: readonly string[]): DriveSheet | null {
  let now = sheet
  for (let round = 0; round < ROUNDS; round++) {
    const at = closeChain(now, chain)
    if (!at) return null
    if (Math.abs(at.off) < CLOSED) return now
    const slope = movable.flatMap((id) =>
      (
        [
          [STEP, 0],
          [0, STEP]
        ] as const
      ).map(([x, y]) => ((closeChain(shiftPart(now, id, x, y), chain)?.off ?? NaN) - at.off) / STEP)
    )
    const square = slope.reduce((sum, g) => sum + g * g, 0)
    if (!(square > 0)) return null
    const step = (k: number) => (-at.off * slope[k]!) / square
    now = movable.reduce((s, id, i) => shiftPart(s, id, step(2 * i), step(2 * i + 1)), now)
  }
  return null
}

function shiftPart(sheet: DriveSheet, id: string, x: number, y: number): DriveSheet {
  return {
    ...sheet,
    sprockets: sheet.sprockets.map((s) =>
      s.id === id && s.centre ? { ...s, centre: [s.centre[0] + x, s.centre[1] + y] as const } : s
    )
  }
}

/** To a thousandth of a mm, finer than anybody measures and fine enough to close. */
function roundPoint([x, y]: Point): Point {
  return [Math.round(x * 1000) / 1000, Math.round(y * 1000) / 1000]
}
