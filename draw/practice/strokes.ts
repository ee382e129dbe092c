import type { Drawing, Ink, Shape } from '../shapes'

/**
 * Strokes that the pictures of the practice stand have in common. Pixels, y down; angles in degrees, clockwise from up.
 */

export const WIDTH = 640
export const HEIGHT = 400

export function plate(shapes: Shape[]): Drawing {
  return { width: WIDTH, height: HEIGHT, shapes }
}

export function stroke(d: string, width = 1.2, ink: Ink = 'line', name?: string): Shape {
  return { kind: 'path', d, stroke: ink, width, ...(name ? { name } : {}) }
}

/** A filled outline; filled with the ground it hides what is behind it. */
export function solid(d: string, fill: Ink = 'ground', ink: Ink | null = 'line', name?: string): Shape {
  return { kind: 'path', d, fill, ...(ink ? { stroke: ink, width: 1.2 } : {}), ...(name ? { name } : {}) }
}

export function words(
  text: string,
  x: number,
  y: number,
  {
    size = 13,
    anchor = 'middle',
    ink = 'line',
    name
  }: { size?: number; anchor?: 'start' | 'middle' | 'end'; ink?: Ink; name?: string } = {}
): Shape {
  return { kind: 'text', text, x, y, size, anchor, ink, ...(name ? { name } : {}) }
}

export function turnedTo(shape: Shape, x: number, y: number, turn: number): Shape {
  return shape.kind === 'path' ? { ...shape, at: { x, y, turn } } : shape
}

export function box(x: number, y: number, width: number, height: number): string {
  return `M${n(x)} ${n(y)}h${n(width)}v${n(height)}h${n(-width)}Z`
}

export function disc(x: number, y: number, r: number): string {
  return `M${n(x - r)} ${n(y)}a${n(r)} ${n(r)} 0 1 0 ${n(2 * r)} 0a${n(r)} ${n(r)} 0 1 0 ${n(-2 * r)} 0Z`
}

export function line(...points: readonly (readonly [number, number])[]): string {
  return points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${n(x)} ${n(y)}`).join('')
}

/** A point at a clockwise angle from up. */
export function round(x: number, y: number, r: number, angle: number): [number, number] {
  const a = (angle * Math.PI) / 180
  return [x + r * Math.sin(a), y - r * Math.cos(a)]
}

export interface Scale {
  /** Where a value stands. */
  at: (value: number) => number
  from: number
  to: number
  /** From tick to tick, and of those how many to a long and to a labelled one. */
  step: number
  long: number
  labelled: number
  /** Sign that labels carry before them. */
  unit?: string
}

/** A straight scale with its ticks upwards (length below 0) or downwards from a line. */
export function ruler({ at, from, to, step, long, labelled, unit = '' }: Scale, y: number, length: number): Shape[] {
  const ticks = Array.from({ length: Math.round((to - from) / step) + 1 }, (_, i) => ({
    value: from + i * step,
    place: Math.round(from / step) + i
  }))
  const up = Math.sign(length)
  return [
    stroke(line([at(from), y], [at(to), y])),
    ...ticks.map(({ value, place }) =>
      stroke(
        line([at(value), y], [at(value), y + length * (place % labelled === 0 ? 1 : place % long === 0 ? 0.7 : 0.45)]),
        place % long === 0 ? 1.4 : 0.8,
        'line',
        `tick ${n(value)}`
      )
    ),
    ...ticks
      .filter(({ place }) => place % labelled === 0)
      .map(({ value }) => words(`${n(value)}`, at(value), y + length + (up > 0 ? 15 : -5), { size: 12 })),
    ...(unit ? [words(unit, at(to) + 16, y + length * 0.5 + 4, { size: 12, anchor: 'start' })] : [])
  ]
}

/** A round scale: ticks inwards from a circle. `at` gives clockwise angles from up. */
export function dial(
  { at, from, to, step, long, labelled }: Scale,
  x: number,
  y: number,
  r: number,
  depth = 14
): Shape[] {
  const ticks = Array.from({ length: Math.round((to - from) / step) + 1 }, (_, i) => ({
    value: from + i * step,
    place: Math.round(from / step) + i
  }))
  return [
    ...ticks.map(({ value, place }) =>
      stroke(
        line(
          round(x, y, r, at(value)),
          round(x, y, r - depth * (place % labelled === 0 ? 1 : place % long === 0 ? 0.7 : 0.45), at(value))
        ),
        place % long === 0 ? 1.4 : 0.8,
        'line',
        `tick ${n(value)}`
      )
    ),
    ...ticks
      .filter(({ place }) => place % labelled === 0)
      .map(({ value }) => {
        const [tx, ty] = round(x, y, r - depth - 11, at(value))
        return words(`${n(value)}`, tx, ty + 4, { size: 12 })
      })
  ]
}

export function n(value: number): number {
  return Math.round(value * 100) / 100
}
