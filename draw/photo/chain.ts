import type { Point } from '../../core/math'
import { disc, type Face } from './scene'

/**
 * A chain seen from its side: a plate from pin to pin, every second one the outer, and the pins' heads.
 * @param pins in order, mm
 * @param pitch mm: how high its plates are follows from it
 */
export function chainFaces(pins: readonly Point[], pitch: number, { closed = false, z = 0 } = {}): Face[] {
  const links = closed ? pins.length : pins.length - 1
  const plate = (i: number): Face => {
    const outer = i % 2 === 0
    return {
      outline: plateOutline(pins[i]!, pins[(i + 1) % pins.length]!, pitch * (outer ? 0.4 : 0.43)),
      z,
      shade: outer ? 132 : 92
    }
  }
  const every = [...Array(links).keys()]
  return [
    ...every.filter((i) => i % 2 === 1).map(plate),
    ...every.filter((i) => i % 2 === 0).map(plate),
    ...pins.flatMap((pin): Face[] => [
      { outline: disc(pin, pitch * 0.17, 20), z, shade: 52 },
      { outline: disc(pin, pitch * 0.135, 20), z, shade: 188 }
    ])
  ]
}

/** Two round ends and a waist. */
function plateOutline(a: Point, b: Point, radius: number): Point[] {
  const way = Math.atan2(b[1] - a[1], b[0] - a[0])
  const end = (middle: Point, from: number): Point[] =>
    Array.from({ length: 13 }, (_, k): Point => {
      const angle = way + from + (Math.PI * k) / 12
      return [middle[0] + radius * Math.cos(angle), middle[1] + radius * Math.sin(angle)]
    })
  const [nx, ny] = [-Math.sin(way), Math.cos(way)]
  const [mx, my] = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2]
  const waist = 0.7 * radius
  return [
    ...end(b, -Math.PI / 2),
    [mx + waist * nx, my + waist * ny],
    ...end(a, Math.PI / 2),
    [mx - waist * nx, my - waist * ny]
  ]
}
