import { type Bounded, boundedMinimum, dot, type Matrix } from '../math'
import type { Linearised, Problem } from './trainProblem'
import type { Priors } from './priors'

/** Normal equations ½uᵀAu − bᵀu of a linearised problem, without jumps; the prior's precision stands in A. */
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
  /** ½·(Σ((value − predicted)/sigma)² + Σ precision·u²) − ln prior odds. */
  score: number
  at: Bounded
}

/** @param precision of each unknown's prior, in prior units */
export function normalEquations(
  { observations, scale }: Problem,
  { point, predicted, slope }: Linearised,
  precision: readonly number[]
): Normal {
  const whitened = slope.map((row, k) => row.map((s) => s / observations[k]!.sigma))
  const free = observations.map(({ value, sigma }, k) => (value - predicted[k]!) / sigma + dot(whitened[k]!, point))
  const a = scale.map(() => new Array<number>(scale.length).fill(0))
  for (const row of whitened) {
    for (let i = 0; i < row.length; i++) {
      const by = row[i]!
      if (by === 0) continue
      const into = a[i]!
      for (let j = 0; j < row.length; j++) into[j]! += by * row[j]!
    }
  }
  a.forEach((row, i) => (row[i]! += precision[i]!))
  return { a, free, slope: whitened }
}

/** Residuals at u = 0 once the teeth of a combination are taken off, in sigmas. */
export function targetsOf({ observations }: Problem, normal: Normal, teeth: readonly number[]): number[] {
  return observations.map(({ sigma, teeth: per }, k) => normal.free[k]! - dot(per, teeth) / sigma)
}

/** Right-hand side b = Σ slope·target. */
export function gradientOf(normal: Normal, targets: readonly number[]): number[] {
  const b = new Array<number>(normal.a.length).fill(0)
  normal.slope.forEach((row, k) => row.forEach((s, i) => (b[i]! += s * targets[k]!)))
  return b
}

/** A combination's best explanation of the readings under one linearisation. */
export function weighJumps(problem: Problem, normal: Normal, teeth: readonly number[], priors: Priors): Combination {
  const targets = targetsOf(problem, normal, teeth)
  const b = gradientOf(normal, targets)
  const at = boundedMinimum(
    normal.a,
    b,
    problem.bounded.map((prior) => prior !== null)
  )
  // At the minimum |t − Su|² + uᵀPu = |t|² − bᵀu.
  const minimum = dot(targets, targets) - dot(b, at.x)
  return { teeth: teeth.slice(), score: minimum / 2 - logPrior(teeth, priors), at }
}

/** (value − predicted)/sigma of each observation at u. */
export function residualsAt(normal: Normal, targets: readonly number[], u: readonly number[]): number[] {
  return targets.map((target, k) => target - dot(normal.slope[k]!, u))
}

/** Log of the prior odds of these teeth, one for each cam. */
export function logPrior(teeth: readonly number[], priors: Priors): number {
  return teeth.reduce((sum, t) => sum + Math.log(priors.jump[Math.abs(t)] ?? 1e-6), 0)
}
