import type { Point } from '../../../core/math'

/** A point on a picture, px; `small`: one of many, such as a link. */
export interface Tap {
  id: string
  label: string
  at: Point | null
  small?: boolean
}

/** A line over a picture, px. */
export interface PlateLine {
  points: readonly Point[]
  tone: 'part' | 'other' | 'settled'
  closed?: boolean
  dashed?: boolean
}

/** The line between two taps, once both are put. */
export function between(taps: readonly Tap[], tone: PlateLine['tone'], dashed = false): PlateLine[] {
  const points = taps.flatMap(({ at }) => (at ? [at] : []))
  return points.length === 2 && taps.length === 2 ? [{ points, tone, dashed }] : []
}
