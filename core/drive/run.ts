import { along, type Point, turn360, unit } from '../math'
import { type Contour, linksOn } from './contour'
import type { Element } from './elements'
import { touchAngle } from './marks'

/** A piece of a chain's run in its direction of travel; mm and degrees in the sheet's plane. */
export type Segment =
  | { shape: 'straight'; from: Point; to: Point; heading: number; links: number }
  | {
      shape: 'arc'
      /** Id of the sprocket or rail it lies on. */
      on: string
      centre: Point
      radius: number
      /** Direction from the centre at which it starts. */
      from: number
      /** How far it goes round, anticlockwise positive. */
      turn: number
      links: number
    }

/**
 * A chain's run as straights and arcs with the links lying on each, from the driver's mark once round to it again.
 * @param mark direction of the driver's mark from its centre, degrees
 */
export function chainRun(elements: readonly Element[], contour: Contour, linkLength: number, mark: number): Segment[] {
  const driver = elements[0]!
  const markHeading = mark + driver.orientation * 90
  const before = turn360(driver.orientation * (markHeading - contour.arriving[0]!))
  const after = contour.sweep[0]! - before
  const piece = (i: number, heading: number, sweep: number, links: number): Segment => {
    const element = elements[contour.touched[i]!]!
    return {
      shape: 'arc',
      on: element.id,
      centre: contour.centres[i]!,
      radius: contour.radii[i]!,
      from: touchAngle(element, heading),
      turn: element.orientation * sweep,
      links
    }
  }
  const straight = (i: number): Segment => {
    const heading = contour.leaving[i]!
    const from = along(
      contour.centres[i]!,
      unit(touchAngle(elements[contour.touched[i]!]!, heading)),
      contour.radii[i]!
    )
    return {
      shape: 'straight',
      from,
      to: along(from, unit(heading), contour.straight[i]!),
      heading,
      links: contour.straight[i]! / linkLength
    }
  }
  const segments: Segment[] = [piece(0, markHeading, after, (driver.teeth * after) / 360), straight(0)]
  for (let i = 1; i < contour.touched.length; i++)
    segments.push(
      piece(i, contour.arriving[i]!, contour.sweep[i]!, linksOn(elements, contour, i, linkLength)),
      straight(i)
    )
  return [...segments, piece(0, contour.arriving[0]!, before, (driver.teeth * before) / 360)]
}

/** Links on a whole run. */
export function linksOf(run: readonly Segment[]): number {
  return run.reduce((sum, { links }) => sum + links, 0)
}

/**
 * Where a number of links from the run's start lies, and which way the chain heads there. Goes round as often as it
 * must.
 */
export function placeOn(run: readonly Segment[], links: number): { point: Point; heading: number } {
  const total = linksOf(run)
  let rest = ((links % total) + total) % total
  for (const segment of run) {
    if (rest <= segment.links) return within(segment, segment.links === 0 ? 0 : rest / segment.links)
    rest -= segment.links
  }
  return within(run.at(-1)!, 1)
}

function within(segment: Segment, part: number): { point: Point; heading: number } {
  if (segment.shape === 'straight') {
    const length = Math.hypot(segment.to[0] - segment.from[0], segment.to[1] - segment.from[1])
    return { point: along(segment.from, unit(segment.heading), part * length), heading: segment.heading }
  }
  const angle = segment.from + segment.turn * part
  return { point: along(segment.centre, unit(angle), segment.radius), heading: angle + (segment.turn < 0 ? -90 : 90) }
}
