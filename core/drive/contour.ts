import { type Point, RADIANS, RAIL_SWEEP_MAX, turn360, turnedAbout } from '../math'
import type { Element } from './elements'

/**
 * The closed line that a tight chain follows round its directed circles. Arrays run along the elements still touched.
 */
export interface Contour {
  /** Indices into the elements, those that the chain touches. */
  touched: number[]
  /** mm; centres with the arm at its angle. */
  centres: Point[]
  /** mm; with wear taken off. */
  radii: number[]
  /** degrees; heading of the straight that arrives at each. */
  arriving: number[]
  /** degrees; heading of the straight that leaves each. */
  leaving: number[]
  /** mm; length of the straight that leaves each. */
  straight: number[]
  /** degrees ≥ 0; how far the heading turns on each. */
  sweep: number[]
}

/**
 * The contour at an arm angle, or null where a tangent does not exist (circles too close for it).
 *
 * Tangent between neighbours A and B with signed radii ρ = o·r, d = B − A, D = |d|. The line touches A at
 * A + ρA·m and B at B + ρB·m, where m is the unit normal on the line's right. Across the line the centres differ by
 * ρB − ρA, along it by L; so L = √(D² − (ρB − ρA)²) and the heading is θ = atan2(d) − atan2(ρB − ρA, L).
 * Sweep on an element = o·(θ_out − θ_in) mod 360°. A rail that comes out over 180° is not touched: it is dropped and
 * the rest solved again, the worst first.
 *
 * @param armAngle degrees, anticlockwise positive, 0 = as new
 * @param wear mm, one for each touching rail in path order
 */
export function contourAt(elements: readonly Element[], armAngle: number, wear: readonly number[]): Contour | null {
  const centres = elements.map((e) => (e.pivot ? turnedAbout(e.centre, e.pivot, armAngle) : e.centre))
  const radii = elements.map((e) => (e.rail < 0 ? e.radius : e.radius - wear[e.rail]!))
  let touched = elements.map((_, i) => i)
  for (;;) {
    const contour = solveContour(elements, touched, centres, radii)
    if (!contour) return null
    const loose = loosest(elements, contour)
    if (loose < 0) return contour
    touched = touched.filter((i) => i !== loose)
  }
}

function solveContour(
  elements: readonly Element[],
  touched: number[],
  centres: readonly Point[],
  radii: readonly number[]
): Contour | null {
  const n = touched.length
  const contour: Contour = { touched, centres: [], radii: [], arriving: [], leaving: [], straight: [], sweep: [] }
  for (let i = 0; i < n; i++) {
    const a = touched[i]!
    const b = touched[i + 1 < n ? i + 1 : 0]!
    const dx = centres[b]![0] - centres[a]![0]
    const dy = centres[b]![1] - centres[a]![1]
    const across = elements[b]!.orientation * radii[b]! - elements[a]!.orientation * radii[a]!
    const squared = dx * dx + dy * dy - across * across
    if (!(squared > 0)) return null
    const length = Math.sqrt(squared)
    contour.centres.push(centres[a]!)
    contour.radii.push(radii[a]!)
    contour.straight.push(length)
    contour.leaving.push((Math.atan2(dy, dx) - Math.atan2(across, length)) / RADIANS)
  }
  for (let i = 0; i < n; i++) {
    const into = contour.leaving[i > 0 ? i - 1 : n - 1]!
    contour.arriving.push(into)
    contour.sweep.push(turn360(elements[touched[i]!]!.orientation * (contour.leaving[i]! - into)))
  }
  return contour
}

/** The rail furthest from being touched, −1 when all are. */
function loosest(elements: readonly Element[], contour: Contour): number {
  let index = -1
  let least = 360
  contour.touched.forEach((element, i) => {
    const sweep = contour.sweep[i]!
    if (elements[element]!.rail >= 0 && sweep > RAIL_SWEEP_MAX && sweep < least) {
      least = sweep
      index = element
    }
  })
  return index
}

/**
 * Links that fit round a contour: Σ z·sweep/360° on sprockets (whole teeth's worth, whatever the elongation) and
 * Σ (straights + rail arcs) / linkLength elsewhere.
 * @param linkLength mm, p·(1 + ε)
 */
export function linksRound(elements: readonly Element[], contour: Contour, linkLength: number): number {
  let links = 0
  for (let i = 0; i < contour.touched.length; i++) {
    links += linksOn(elements, contour, i, linkLength) + contour.straight[i]! / linkLength
  }
  return links
}

/** Links lying on the i-th touched element. */
export function linksOn(elements: readonly Element[], contour: Contour, i: number, linkLength: number): number {
  const element = elements[contour.touched[i]!]!
  return element.rail < 0
    ? (element.teeth * contour.sweep[i]!) / 360
    : (contour.radii[i]! * contour.sweep[i]! * RADIANS) / linkLength
}
