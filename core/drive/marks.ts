import { compileSheet, type Chain, clockAngle, type DriveSheet } from '../sheet'
import { turn180 } from '../math'
import { type Contour, linksOn } from './contour'
import type { Element } from './elements'

/** Direction (degrees from +x) from an element's centre to where a straight of this heading touches it. */
export function touchAngle(element: Element, heading: number): number {
  return heading - element.orientation * 90
}

/** degrees: a mark just this side of half a turn behind is rather half a turn ahead, where the chain lies. */
const NEARLY_BEHIND = 10

/** An angle along the travel, from −170° to 190°. */
function turnAhead(degrees: number): number {
  return turn180(degrees - NEARLY_BEHIND) + NEARLY_BEHIND
}

/**
 * Links from the mark of one sprocket to the mark of another along the travel, by geometry.
 * On each end's sprocket from or to its mark's clock position, then everything in between. Null without both marks.
 */
export function linksBetweenMarks(
  sheet: DriveSheet,
  chain: Chain,
  elements: readonly Element[],
  contour: Contour,
  from: string,
  to: string
): number | null {
  const markOf = (id: string) => compileSheet(sheet).markOf(id)?.at
  const [markFrom, markTo] = [markOf(from), markOf(to)]
  if (markFrom === undefined || markTo === undefined) return null
  const n = contour.touched.length
  const start = contour.touched.findIndex((e) => elements[e]!.id === from)
  const end = contour.touched.findIndex((e) => elements[e]!.id === to)
  const a = elements[contour.touched[start]!]!
  const b = elements[contour.touched[end]!]!
  const leave = turnAhead(a.orientation * (touchAngle(a, contour.leaving[start]!) - clockAngle(markFrom)))
  const arrive = turnAhead(b.orientation * (clockAngle(markTo) - touchAngle(b, contour.arriving[end]!)))
  let links = (a.teeth * leave + b.teeth * arrive) / 360 + contour.straight[start]! / chain.pitch
  for (let i = (start + 1) % n; i !== end; i = (i + 1) % n) {
    links += linksOn(elements, contour, i, chain.pitch) + contour.straight[i]! / chain.pitch
  }
  return links
}
