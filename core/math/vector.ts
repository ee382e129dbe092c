import { RADIANS } from './constants'

/** [x, y] in mm, seen from the front. */
export type Point = readonly [number, number]

/** Unit vector at an angle (degrees from +x, anticlockwise). */
export function unit(angle: number): Point {
  return [Math.cos(angle * RADIANS), Math.sin(angle * RADIANS)]
}

/** a·b. */
export function dotOf(a: Point, b: Point): number {
  return a[0] * b[0] + a[1] * b[1]
}

/** b − a. */
export function between(a: Point, b: Point): Point {
  return [b[0] - a[0], b[1] - a[1]]
}

/** The point at `distance` (mm) from `from` along a unit vector. */
export function along(from: Point, direction: Point, distance: number): Point {
  return [from[0] + direction[0] * distance, from[1] + direction[1] * distance]
}

/** A vector turned by an angle (degrees, anticlockwise). */
export function rotate(v: Point, angle: number): Point {
  const c = Math.cos(angle * RADIANS)
  const s = Math.sin(angle * RADIANS)
  return [v[0] * c - v[1] * s, v[0] * s + v[1] * c]
}

/** A point turned about a pivot by an angle (degrees, anticlockwise). */
export function turnedAbout(p: Point, pivot: Point, angle: number): Point {
  const [x, y] = rotate(between(pivot, p), angle)
  return [pivot[0] + x, pivot[1] + y]
}

/** An angle in degrees brought into [0, 360). */
export function turn360(angle: number): number {
  const rest = angle % 360
  return rest < 0 ? rest + 360 : rest
}

/** An angle in degrees brought into (−180, 180]. */
export function turn180(angle: number): number {
  const rest = turn360(angle)
  return rest > 180 ? rest - 360 : rest
}

/** Pitch radius (mm) of a sprocket: p / (2 sin(π/z)), the circle its chain's pins stand on. */
export function pitchRadius(pitch: number, teeth: number): number {
  return pitch / (2 * Math.sin(Math.PI / teeth))
}
