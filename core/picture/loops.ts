import { type ChainElement, type Contour, contourAt, linksRound } from '../drive'
import { type Point, unit } from '../math'
import { type Arc, circleOf } from './arcs'

/** A closed chain on the picture: what it meets in its direction of travel, and the links that it has. */
export interface Loop {
  stops: readonly LoopStop[]
  /** mm. */
  pitch: number
  /** Links that its way is expected to take, and their standard deviation. */
  links: number
  sigma: number
}

/** Its place among the circles or the arcs; `outside`: the chain runs round it the other way. */
export interface LoopStop {
  circle?: number
  arc?: number
  outside: boolean
  /** 0 for a shoe. */
  teeth: number
}

export interface Round {
  centre: Point
  radius: number
}

/** The directed circles of a loop: which way round follows from the way it goes. */
function elementsOfLoop({ stops }: Loop, circles: readonly Round[], arcs: readonly Arc[]): ChainElement[] {
  const rounds = stops.map(({ circle, arc }): Round & { at: Point } => {
    if (circle === undefined) return { ...circleOf(arcs[arc!]!), at: arcs[arc!]!.at }
    return { ...circles[circle]!, at: circles[circle]!.centre }
  })
  const sense = turningOf(rounds.map(({ at }) => at))
  let rails = 0
  return rounds.map(({ centre, radius }, i): ChainElement => {
    const { outside, teeth } = stops[i]!
    return {
      id: String(i),
      centre,
      radius,
      orientation: outside ? (-sense as 1 | -1) : sense,
      teeth,
      rail: teeth > 0 ? -1 : rails++
    }
  })
}

/** +1 where corners run anticlockwise. */
function turningOf(corners: readonly Point[]): 1 | -1 {
  const area = corners.reduce((sum, [x, y], i) => {
    const [nextX, nextY] = corners[(i + 1) % corners.length]!
    return sum + x * nextY - nextX * y
  }, 0)
  return area < 0 ? -1 : 1
}

/** A way round, and the links that a new chain takes for it. */
export interface Way {
  elements: ChainElement[]
  contour: Contour
  links: number
}

/** The way that a new chain goes round a loop; null where two neighbours overlap. */
export function wayRound(loop: Loop, circles: readonly Round[], arcs: readonly Arc[]): Way | null {
  const elements = elementsOfLoop(loop, circles, arcs)
  const contour = contourAt(
    elements,
    0,
    elements.map(() => 0)
  )
  return contour && { elements, contour, links: linksRound(elements, contour, loop.pitch) }
}

/** mm by which neighbours on a loop stand too close for a chain to pass from one to the other, all told. */
export function overlapOf(loop: Loop, circles: readonly Round[], arcs: readonly Arc[]): number {
  const elements = elementsOfLoop(loop, circles, arcs)
  return elements.reduce((sum, a, i) => {
    const b = elements[(i + 1) % elements.length]!
    const apart = Math.hypot(b.centre[0] - a.centre[0], b.centre[1] - a.centre[1])
    const across = Math.abs(b.orientation * b.radius - a.orientation * a.radius)
    return sum + Math.max(0, across - apart)
  }, 0)
}

/** Degrees between corners of an arc that is drawn. */
const FINE = 4

/** The way as a line to be drawn, mm. */
export function lineOf({ elements, contour }: Way): Point[] {
  return contour.touched.flatMap((element, i) => {
    const { orientation } = elements[element]!
    const [x, y] = contour.centres[i]!
    const radius = contour.radii[i]!
    const pieces = Math.max(1, Math.ceil(contour.sweep[i]! / FINE))
    return Array.from({ length: pieces + 1 }, (_, k): Point => {
      const heading = contour.arriving[i]! + (orientation * contour.sweep[i]! * k) / pieces
      const [ux, uy] = unit(heading - orientation * 90)
      return [x + radius * ux, y + radius * uy]
    })
  })
}
