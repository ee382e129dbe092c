import { type Bounded, boundedMinimum, dot, type Matrix } from '../math'
import type { Linearised, Problem } from './trainProblem'
import type { Priors } from './priors'

/** Normal equations ½uᵀAu − bᵀu of a linearised problem, without jumps; the prior is the identity in A. */
export interface Normal {
  a: Matrix
  /** Each observation's residual at u = 0, without jumps, in sigmas. */
  free: number[]
  /** Slopes in sigmas. */
  slope: Matrix
}

/** One combination of whole teeth jumped, one for each cam, and how well it explains the readings. */
export interface Combination {
  teeth: number[]
  /** Least Σ((value − predicted)/sigma)² + Σ(x/prior)². */
  minimum: number
  /** ½·minimum − ln prior odds. */
  score: number
  at: Bounded
}

export function normalEquations({ observations, scale }: Problem, { point, predicted, slope }: Linearised): Normal {
  const whitened = slope.map((row, k) => row.map((s) => s / observations[k]!.sigma))
  const free = observations.map(({ value, sigma }, k) => (value - predicted[k]!) / sigma + dot(whitened[k]!, point))
  const a = scale.map((_, i) =>
    scale.map((_, j) => whitened.reduce((sum, row) => sum + row[i]! * row[j]!, i === j ? 1 : 0))
  )
  return { a, free, slope: whitened }
}

/** Residuals at u = 0 once the teeth of a combination are taken off, in sigmas. */
export function targetsOf({ observations }: Problem, normal: Normal, teeth: readonly number[]): number[] {
  return observations.map(({ sigma, teeth: per }, k) => normal.free[k]! - dot(per, teeth) / sigma)
}

/** Right-hand side b = Σ slope·target. */
export function gradientOf(normal: Normal, targets: readonly number[]): number[] {
  return normal.a.map((_, i) => normal.slope.reduce((sum, row, k) => sum + row[i]! * targets[k]!, 0))
}

/** A combination's best explanation of the readings under one linearisation. */
export function weighJumps(problem: Problem, normal: Normal, teeth: readonly number[], priors: Priors): Combination {
  const targets = targetsOf(problem, normal, teeth)
  const at = boundedMinimum(normal.a, gradientOf(normal, targets), problem.bounded)
  const residuals = residualsAt(normal, targets, at.x)
  const minimum = residuals.reduce((sum, r) => sum + r * r, 0) + at.x.reduce((sum, x) => sum + x * x, 0)
  return { teeth: teeth.slice(), minimum, score: minimum / 2 - logPrior(teeth, priors), at }
}

/** (value − predicted)/sigma of each observation at u. */
export function residualsAt(normal: Normal, targets: readonly number[], u: readonly number[]): number[] {
  return targets.map((target, k) => target - dot(normal.slope[k]!, u))
}

/** Log of the prior odds of these teeth, one for each cam. */
export function logPrior(teeth: readonly number[], priors: Priors): number {
  return teeth.reduce((sum, t) => sum + Math.log(priors.jump[Math.abs(t)] ?? 1e-6), 0)
}
