import { Matrix, SVD } from 'ml-matrix'
import type { Point } from '../math'
import type { Camera, Size } from './camera'

/**
 * The camera that shows plane points at pixels, to begin a fit with: the homography by direct linear transformation
 * (Hartley and Zisserman, section 4.1), taken apart into pose and distance for a focal length.
 * @returns null where the points lie on a line
 */
export function cameraFrom(pairs: readonly { pixel: Point; at: Point }[], size: Size, focal: number): Camera | null {
  const rows = pairs.flatMap(({ pixel, at: [x, y] }) => {
    const [u, v] = [(pixel[0] - size[0] / 2) / focal, (pixel[1] - size[1] / 2) / focal]
    const [a, b] = [x / MM, y / MM]
    return [
      [a, b, 1, 0, 0, 0, -u * a, -u * b, -u],
      [0, 0, 0, a, b, 1, -v * a, -v * b, -v]
    ]
  })
  const h = new SVD(new Matrix(rows), { autoTranspose: true }).rightSingularVectors.getColumn(8)
  const sign = h[8]! < 0 ? -1 : 1
  const column = (i: number) => [h[i]! * sign, h[i + 3]! * sign, h[i + 6]! * sign]
  const [x, y, t] = [column(0), column(1), column(2)] as [number[], number[], number[]]
  const scale = (Math.hypot(...x) + Math.hypot(...y)) / 2
  if (!(scale > 1e-9) || !(t[2]! / scale > 1e-6)) return null
  const unitX = x.map((part) => part / Math.hypot(...x))
  const along = unitX.reduce((sum, part, i) => sum + part * y[i]!, 0)
  const square = y.map((part, i) => part - along * unitX[i]!)
  const unitY = square.map((part) => part / Math.hypot(...square))
  const origin = t.map((part) => (part / scale) * MM)
  return {
    turn: turnOf(unitX, unitY),
    aim: [origin[0]! / origin[2]!, origin[1]! / origin[2]!],
    distance: origin[2]!,
    focal,
    middle: [0, 0],
    lens: 0
  }
}

/** Points are scaled by this, so that all figures of the system are of one size. */
const MM = 100

/** The turning vector that lays the plane's x and y, which stand right and up before turning, where they are. */
function turnOf(x: readonly number[], y: readonly number[]): [number, number, number] {
  const z = [x[1]! * y[2]! - x[2]! * y[1]!, x[2]! * y[0]! - x[0]! * y[2]!, x[0]! * y[1]! - x[1]! * y[0]!]
  // The plane's y points down the picture before it is turned, and its z away from it.
  const r = (row: number, column: number) => [x[row]!, -y[row]!, -z[row]!][column]!
  // By the quaternion (S. Shepperd, 1978), which holds for half a turn too: its largest part first.
  const parts = [
    1 + r(0, 0) + r(1, 1) + r(2, 2),
    1 + r(0, 0) - r(1, 1) - r(2, 2),
    1 - r(0, 0) + r(1, 1) - r(2, 2),
    1 - r(0, 0) - r(1, 1) + r(2, 2)
  ]
  const [wx, wy, wz] = [r(2, 1) - r(1, 2), r(0, 2) - r(2, 0), r(1, 0) - r(0, 1)]
  const [xy, xz, yz] = [r(0, 1) + r(1, 0), r(0, 2) + r(2, 0), r(1, 2) + r(2, 1)]
  const most = parts.indexOf(Math.max(...parts))
  const q = [
    [parts[0]!, wx, wy, wz],
    [wx, parts[1]!, xy, xz],
    [wy, xy, parts[2]!, yz],
    [wz, xz, yz, parts[3]!]
  ][most]!
  const [w, a, b, c] = q as [number, number, number, number]
  const sine = Math.hypot(a, b, c)
  const angle = 2 * Math.atan2(sine, w)
  const by = sine < 1e-12 ? 0 : angle / sine
  return [a * by, b * by, c * by]
}
