import type { Point } from '../../core/math'

/**
 * Flat scenes for the simulated camera: faces in mm, x right, y up, `z` towards the camera, painted in order.
 * Brightness 0 to 255.
 */
export interface Face {
  outline: readonly Point[]
  z: number
  shade: number
  /** 0 to 1; grease and glare are seen through. */
  opacity?: number
}

export interface PhotoScene {
  ground: number
  faces: readonly Face[]
}

/** mm between points of a straight edge: a lens bends it. */
const EVERY = 8

/** A closed outline with points often enough that a lens can bend it. */
export function dense(corners: readonly Point[]): Point[] {
  return corners.flatMap((a, i) => {
    const b = corners[(i + 1) % corners.length]!
    const pieces = Math.max(1, Math.ceil(Math.hypot(b[0] - a[0], b[1] - a[1]) / EVERY))
    return Array.from({ length: pieces }, (_, k): Point => [
      a[0] + ((b[0] - a[0]) * k) / pieces,
      a[1] + ((b[1] - a[1]) * k) / pieces
    ])
  })
}

export function rectangle(x: number, y: number, width: number, height: number): Point[] {
  return dense([
    [x, y],
    [x + width, y],
    [x + width, y + height],
    [x, y + height]
  ])
}

export function disc([x, y]: Point, radius: number, points = 48): Point[] {
  return Array.from({ length: points }, (_, i): Point => {
    const a = (2 * Math.PI * i) / points
    return [x + radius * Math.cos(a), y + radius * Math.sin(a)]
  })
}

/** Faces moved and turned (radians, anticlockwise) as one. */
export function moved(faces: readonly Face[], [dx, dy]: Point, turn = 0, z = 0): Face[] {
  const [c, s] = [Math.cos(turn), Math.sin(turn)]
  return faces.map((face) => ({
    ...face,
    z: face.z + z,
    outline: face.outline.map(([x, y]): Point => [dx + c * x - s * y, dy + s * x + c * y])
  }))
}
