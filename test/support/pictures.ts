import { CARDS, type CardId, cornersOf, type MeasureFile } from '../../core/picture'
import type { Point, Roll } from '../../core/math'

/**
 * Pictures of flat scenes from a camera of their own (not the core's): a look-at pose, square pixels, a lens that bends
 * what it draws. mm, x right, y up, z towards the camera; pixels.
 */
export interface MadeCamera {
  size: readonly [number, number]
  focal: number
  pixel(x: number, y: number, z?: number): Point
  /** mm from the camera to the plane, square to it. */
  height: number
}

export interface CameraWish {
  /** mm to what it looks at, and degrees that it is tilted. */
  distance?: number
  tilt?: number
  focal?: number
  lens?: number
  size?: readonly [number, number]
}

type Vec = readonly [number, number, number]
const sub = (a: Vec, b: Vec): Vec => [a[0] - b[0], a[1] - b[1], a[2] - b[2]]
const cross = (a: Vec, b: Vec): Vec => [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]]
const dot = (a: Vec, b: Vec) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]
const unit = (a: Vec): Vec => {
  const long = Math.hypot(...a)
  return [a[0] / long, a[1] / long, a[2] / long]
}

/** A camera held by hand: somewhere before the scene, tilted, a little turned and not quite aimed. */
export function makeCamera(roll: Roll, wish: CameraWish = {}): MadeCamera {
  const size = wish.size ?? ([4000, 3000] as const)
  const distance = wish.distance ?? roll.between(350, 700)
  const tilt = ((wish.tilt ?? roll.between(0, 25)) * Math.PI) / 180
  const round = roll.between(0, 2 * Math.PI)
  const focal = wish.focal ?? 3000
  const lens = wish.lens ?? roll.between(-0.04, 0.04)
  const aimed: Vec = [roll.normal(8), roll.normal(8), 0]
  const from: Vec = [
    aimed[0] + distance * Math.sin(tilt) * Math.cos(round),
    aimed[1] + distance * Math.sin(tilt) * Math.sin(round),
    distance * Math.cos(tilt)
  ]
  const forward = unit(sub(aimed, from))
  const turn = roll.normal(0.12)
  const upright: Vec = [Math.sin(turn), Math.cos(turn), 0]
  const right = unit(cross(forward, upright))
  const up = cross(right, forward)
  return {
    size,
    focal,
    height: from[2],
    pixel(x, y, z = 0) {
      const seen = sub([x, y, z], from)
      const away = dot(forward, seen)
      const [sx, sy] = [dot(right, seen) / away, -dot(up, seen) / away]
      const bent = 1 + lens * (sx * sx + sy * sy)
      return [size[0] / 2 + focal * sx * bent, size[1] / 2 + focal * sy * bent]
    }
  }
}

export const tapped = (roll: Roll, [u, v]: Point, sd: number): Point => [u + roll.normal(sd), v + roll.normal(sd)]

/** A card lying at a place of the scene, as its corners are found. */
export function seenCard(
  roll: Roll,
  camera: MadeCamera,
  card: CardId,
  { at = [0, 0] as Point, z = 0, sd = 0.15 } = {}
): MeasureFile['plane'][number] {
  const corner = (place: number) =>
    cornersOf(CARDS[card], place).map(([x, y]) => tapped(roll, camera.pixel(x + at[0], y + at[1], z), sd))
  return { kind: 'card', card, corners: { '0': corner(0), '1': corner(1), '2': corner(2), '3': corner(3) } }
}

/** A file of measurements with what all have in common. */
export function measureFile(camera: MadeCamera, rest: Partial<MeasureFile>): MeasureFile {
  return {
    format: 'umbrette-picture',
    version: 1,
    size: camera.size as [number, number],
    focal: camera.focal,
    plane: [],
    measure: [],
    ...rest
  }
}
