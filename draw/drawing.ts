import { arc, line, curveLinearClosed } from 'd3-shape'
import type { ChainPicture, RailPicture, SprocketPicture } from '../core/drive/picture'
import type { Point } from '../core/sheet/types'

/** From the sheet's plane (mm, y up) to the screen (px, y down). */
export interface Projection {
  scale: number
  x(mm: number): number
  y(mm: number): number
}

/** Fits pictures into a width and height in px, leaving room at both sides for labels. */
export function fitted(pictures: readonly ChainPicture[], width: number, height: number, side: number): Projection {
  const points = pictures.flatMap(outline)
  const xs = points.map((p) => p[0])
  const ys = points.map((p) => p[1])
  const [left, right, bottom, top] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
  const margin = 46
  const scale = Math.min((width - 2 * side) / (right - left), (height - 2 * margin) / (top - bottom))
  const centreX = width / 2 - (scale * (left + right)) / 2
  const centreY = height / 2 + (scale * (bottom + top)) / 2
  return { scale, x: (mm) => centreX + scale * mm, y: (mm) => centreY - scale * mm }
}

function outline({ pins, sprockets, tensioner }: ChainPicture): Point[] {
  const tails: Point[] = tensioner ? [back(tensioner.seat, tensioner.axis, tensioner.stroke + 16)] : []
  const rims = sprockets.flatMap(({ centre: [x, y], radius: r }): Point[] => [[x - r, y - r], [x + r, y + r]])
  return [...pins, ...tails, ...rims]
}

function back([x, y]: Point, [ax, ay]: Point, length: number): Point {
  return [x - ax * length, y - ay * length]
}

/** A sprocket's outline: a tooth between every two pins, seated pins in the gaps. Screen coordinates about its centre. */
export function toothPath({ radius, teeth, pinAngle }: SprocketPicture, pitch: number, scale: number): string {
  const step = (2 * Math.PI) / teeth
  const root = (radius - 0.34 * pitch) * scale
  const tip = (radius + 0.26 * pitch) * scale
  const points = Array.from({ length: teeth }, (_, k) => k).flatMap((k) => {
    const gap = (-pinAngle * Math.PI) / 180 + k * step
    return ([[root, 0.14], [tip, 0.4], [tip, 0.6], [root, 0.86]] as const).map(([r, part]): [number, number] => [r * Math.cos(gap + part * step), r * Math.sin(gap + part * step)])
  })
  return line().curve(curveLinearClosed)(points) ?? ''
}

/** Thickness of a rail's lining and of its body, mm. */
const LINING = 3
const BODY = 8
/** A guide's lining runs on beyond where the chain lies, mm. */
const RAMP = 24

/** A rail's lining and body as ring sectors about its circle's centre, on the side away from the chain. */
export function railPaths({ radius, from, to, pivot }: RailPicture, pitch: number, scale: number): { lining: string; body: string } {
  const face = radius - 0.42 * pitch
  const sector = (inner: number, outer: number, over: number) =>
    arc()({ innerRadius: inner * scale, outerRadius: outer * scale, startAngle: clockwiseFromUp(to + over), endAngle: clockwiseFromUp(from - over) }) ?? ''
  const end = ((pivot ? 6 : RAMP) / radius) * (180 / Math.PI)
  return { lining: sector(face - LINING, face, end), body: sector(face - LINING - BODY, face - LINING, end) }
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

/** Where each run's count stands on the screen: beside its middle, moved down where another stands already. */
export function runPlaces(pictures: readonly ChainPicture[], { x, y }: Projection): Map<ChainPicture['runs'][number], { x: number; y: number }> {
  const places = new Map<ChainPicture['runs'][number], { x: number; y: number }>()
  for (const run of pictures.flatMap((p) => p.runs)) {
    const at = { x: x(run.at[0]) + 25 * run.clear[0], y: y(run.at[1]) - 25 * run.clear[1] }
    while ([...places.values()].some((other) => Math.abs(other.x - at.x) < 46 && Math.abs(other.y - at.y) < 44)) at.y += 46
    places.set(run, at)
  }
  return places
}
