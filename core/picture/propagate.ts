import type { Point } from '../math'
import type { Scene, SceneState } from './scene'

/** Every way to see a picture, and how likely each is. */
export interface Ways {
  scenes: readonly Scene[]
  weights: readonly number[]
  /** px: standard deviation of a tap. */
  tap: number
}

/** A figure, and parts of its variance. */
export interface Figure {
  value: number
  variance: number
  /** Parts of the variance. */
  taps: number
  behind: number
}

/** Figures over all ways to see the picture: mean, variance between and within them. */
export function propagate(
  { scenes, weights, tap }: Ways,
  pixels: readonly Point[],
  from: (pixels: readonly Point[], state: SceneState) => number[]
): Figure[] {
  const each = scenes.map((scene) => propagateScene(scene, tap, pixels, from))
  const total = weights.reduce((sum, weight) => sum + weight, 0)
  return each[0]!.map((_, k) => {
    const mean = (part: keyof Figure) => each.reduce((sum, one, i) => sum + weights[i]! * one[k]![part], 0) / total
    const value = mean('value')
    const between = each.reduce((sum, one, i) => sum + weights[i]! * (one[k]!.value - value) ** 2, 0) / total
    return { value, variance: mean('variance') + between, taps: mean('taps'), behind: mean('behind') }
  })
}

/** Figures of one way to see it, by their derivatives. */
function propagateScene(
  { fit: { at, covariance }, read, above }: Scene,
  tap: number,
  pixels: readonly Point[],
  from: (pixels: readonly Point[], state: SceneState) => number[]
): Figure[] {
  const state = read(at)
  const values = from(pixels, state)
  const byUnknown = at.map((value, i) => {
    const step = 1e-3 * Math.max(Math.sqrt(covariance[i]![i]!), 1e-9)
    const moved = (by: number) => from(pixels, read(at.map((other, k) => (k === i ? value + by : other))))
    const [ahead, behind] = [moved(step), moved(-step)]
    return ahead.map((a, k) => (a - behind[k]!) / (2 * step))
  })
  const byTap = pixels.flatMap((_, i) =>
    ([0, 1] as const).map((axis) => {
      const moved = (by: number) =>
        from(
          pixels.map((p, k): Point => (k === i ? [p[0] + (axis === 0 ? by : 0), p[1] + (axis === 1 ? by : 0)] : p)),
          state
        )
      const [ahead, behind] = [moved(0.5), moved(-0.5)]
      return ahead.map((a, k) => a - behind[k]!)
    })
  )
  return values.map((value, k) => {
    const seen = at.reduce(
      (sum, _, i) =>
        sum + byUnknown[i]![k]! * at.reduce((inner, __, j) => inner + covariance[i]![j]! * byUnknown[j]![k]!, 0),
      0
    )
    const taps = byTap.reduce((sum, by) => sum + (tap * by[k]!) ** 2, 0)
    const behind = byUnknown[above]![k]! ** 2 * covariance[above]![above]!
    return { value, variance: seen + taps, taps, behind: Math.min(behind, seen) }
  })
}
