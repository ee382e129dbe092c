import type { Point } from '../math'

/**
 * A camera before a plane. Pixels count from the picture's top left, x right, y down; the plane's x runs right, its
 * y up and its z towards the camera, in mm. A pixel is put right for its lens about the middle of the picture, then
 * its ray meets the plane (the pinhole camera of R. Hartley and A. Zisserman, Multiple View Geometry, 2004, chapter
 * 6; the lens by one radial term).
 */
export interface Camera {
  /** Turning vector, radians, away from square before the plane. */
  turn: readonly [number, number, number]
  /** Where the plane's origin stands, as a share of its distance right and down of the optical axis. */
  aim: readonly [number, number]
  /** mm along the optical axis to the plane's origin. */
  distance: number
  /** px. */
  focal: number
  /** px of the optical axis from the picture's middle. */
  middle: readonly [number, number]
  /** Radial term of the lens: a ray's true slope is its seen one times 1 + lens · slope². */
  lens: number
}

/** Width and height, px. */
export type Size = readonly [number, number]

type Vector = readonly [number, number, number]

/** The plane's axes in the camera's frame (x right, y down, z away), and its origin. */
interface Pose {
  x: Vector
  y: Vector
  z: Vector
  origin: Vector
}

const dot = (a: Vector, b: Vector) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]

/** The rotation by a turning vector (O. Rodrigues). */
function turned(turn: Vector, v: Vector): Vector {
  const angle = Math.hypot(...turn)
  if (angle < 1e-12) {
    const [a, b, c] = turn
    return [v[0] + b * v[2] - c * v[1], v[1] + c * v[0] - a * v[2], v[2] + a * v[1] - b * v[0]]
  }
  const axis = turn.map((part) => part / angle) as unknown as Vector
  const [c, s] = [Math.cos(angle), Math.sin(angle)]
  const along = dot(axis, v) * (1 - c)
  return [
    v[0] * c + (axis[1] * v[2] - axis[2] * v[1]) * s + axis[0] * along,
    v[1] * c + (axis[2] * v[0] - axis[0] * v[2]) * s + axis[1] * along,
    v[2] * c + (axis[0] * v[1] - axis[1] * v[0]) * s + axis[2] * along
  ]
}

function poseOf({ turn, aim, distance }: Camera): Pose {
  return {
    x: turned(turn, [1, 0, 0]),
    y: turned(turn, [0, -1, 0]),
    z: turned(turn, [0, 0, -1]),
    origin: [aim[0] * distance, aim[1] * distance, distance]
  }
}

/** mm from the camera to the plane, square to it. */
export function heightAbove(camera: Camera): number {
  const { z, origin } = poseOf(camera)
  return -dot(z, origin)
}

/** Degrees between the optical axis and the plane's normal. */
export function tiltOf(camera: Camera): number {
  return (Math.acos(Math.min(1, Math.max(-1, -poseOf(camera).z[2]))) * 180) / Math.PI
}

/**
 * Where pixels lie in a plane that stands `above` mm (below 0: behind) before the camera's plane; made once per camera.
 */
export function planeOf(camera: Camera, [width, height]: Size, above = 0): (pixel: Point) => Point {
  const { x, y, z, origin } = poseOf(camera)
  const start: Vector = [origin[0] + above * z[0], origin[1] + above * z[1], origin[2] + above * z[2]]
  const square = dot(z, start)
  const [cx, cy] = [width / 2 + camera.middle[0], height / 2 + camera.middle[1]]
  const { focal, lens } = camera
  return ([u, v]) => {
    const [sx, sy] = [(u - cx) / focal, (v - cy) / focal]
    const widened = 1 + lens * (sx * sx + sy * sy)
    const ray: Vector = [sx * widened, sy * widened, 1]
    const reach = square / dot(z, ray)
    const at: Vector = [reach * ray[0] - start[0], reach * ray[1] - start[1], reach * ray[2] - start[2]]
    return [dot(x, at), dot(y, at)]
  }
}

/** Rounds in which a pixel is found that a lens shows a point at. */
const LENS_ROUNDS = 8

/** Where points of the plane (x, y, and mm towards the camera) stand in the picture: what `planeOf` takes back. */
export function pixelsOf(camera: Camera, [width, height]: Size): (point: Point, above?: number) => Point {
  const { x, y, z, origin } = poseOf(camera)
  const [cx, cy] = [width / 2 + camera.middle[0], height / 2 + camera.middle[1]]
  return ([px, py], above = 0) => {
    const at = [0, 1, 2].map((i) => origin[i]! + px * x[i]! + py * y[i]! + above * z[i]!) as unknown as Vector
    const [tx, ty] = [at[0] / at[2], at[1] / at[2]]
    let [sx, sy] = [tx, ty]
    for (let round = 0; round < LENS_ROUNDS; round++) {
      const widened = 1 + camera.lens * (sx * sx + sy * sy)
      ;[sx, sy] = [tx / widened, ty / widened]
    }
    return [cx + camera.focal * sx, cy + camera.focal * sy]
  }
}
