import { cutMixture, dot, massAbove, mixture, mixtureAbove, type WeightedNormal } from '../math'
import type { Problem } from './trainProblem'
import type { Component, Solution } from './solve'
import type { WearEstimate } from './types'

/** Marginal of one bounded unknown, in its own unit, as normals to be cut off at 0. */
export function marginal({ scale }: Problem, { components }: Solution, i: number): WeightedNormal[] {
  return components.flatMap(({ weight, posterior }) =>
    (posterior.cut[i] ?? []).map((part) => ({
      weight: weight * part.weight,
      mean: part.mean * scale[i]!,
      sd: part.sd * scale[i]!
    }))
  )
}

/** A bounded unknown's estimate with its odds of lying above a limit, in its own unit. */
export function boundedEstimate(
  problem: Problem,
  solution: Solution,
  i: number,
  limit: number | undefined
): WearEstimate {
  const parts = marginal(problem, solution, i)
  return { ...cutMixture(parts), overLimit: limit === undefined ? null : massAbove(parts, limit) }
}

/** A quantity linear near each component's point, with its odds of lying above a limit; null without a limit. */
export function linearEstimate(
  solution: Solution,
  value: (component: Component) => number,
  slope: (component: Component) => readonly number[],
  limit: number | undefined
): { mean: number; sd: number; overLimit: number | null } {
  const parts = solution.components.map((component) => ({
    weight: component.weight,
    ...normalAlong(component, value(component), slope(component))
  }))
  return { ...mixture(parts), overLimit: limit === undefined ? null : mixtureAbove(parts, limit) }
}

/**
 * A linear quantity's normal under one component: from its value at the component's point and its slope in prior units.
 */
export function normalAlong(
  { posterior, near }: Component,
  value: number,
  slope: readonly number[]
): { mean: number; sd: number } {
  const mean = slope.reduce((sum, s, i) => sum + s * (posterior.mean[i]! - near.point[i]!), value)
  return { mean, sd: Math.sqrt(Math.max(dot(slope, seen(posterior.covariance, slope)), 1e-18)) }
}

/** Σ·s: how an unknown's covariance with a linear quantity runs. */
export function seen(covariance: readonly (readonly number[])[], slope: readonly number[]): number[] {
  return covariance.map((row) => dot(row, slope))
}
