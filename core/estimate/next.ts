import { READING_KINDS, methodOf } from '../readings/kinds'
import type { Reading, ReadingKind } from '../readings/types'
import type { Chain, DriveSheet } from '../sheet/types'
import type { Problem } from './problem'
import type { Component } from './solve'

/** A reading not yet taken and what it would be worth. */
export interface NextReading {
  kind: ReadingKind
  /** Id of the part it is read on. */
  target: string
  chain: string
  /** Fraction by which it would cut the variance of the chain's elongation. */
  gain: number
  minutes: number
}

/** Links usually laid against a rule or calliper. */
export const BENCH_LINKS = 20

/**
 * Readings of one chain not yet taken, the most narrowing first. For a reading with slope s (in sigmas) and posterior
 * covariance Σ the variance of ε falls by (Σs)₀² / (1 + sᵀΣs); the gain is that over Σ₀₀.
 */
export function nextReadings(sheet: DriveSheet, chain: Chain, problem: Problem, { near, posterior }: Component, taken: readonly Reading[]): NextReading[] {
  const { covariance } = posterior
  const open = candidates(sheet, chain, problem).filter(
    ({ kind, target }) => !taken.some((r) => r.kind === kind && (r.tensioner ?? r.rail ?? r.sprocket ?? r.chain) === target)
  )
  const slopes: Record<string, (target: string) => number[]> = {
    extension: () => near.extensionSlope,
    camLag: (target) => near.lagSlope[problem.model.cams.indexOf(target)]!,
    groove: (target) => single(problem, problem.at.wear + problem.model.rails.indexOf(target)),
    padWear: () => single(problem, problem.at.padWear),
    chainLength: () => single(problem, 0).map((s) => s * benchLinks(chain) * chain.pitch),
    chainCompare: () => single(problem, 0).map((s) => s * benchLinks(chain) * chain.pitch)
  }
  return open
    .map(({ kind, target }) => {
      const { methods, minutes } = READING_KINDS[kind]
      const sigma = methods[methodOf(kind)]!
      const slope = slopes[kind]!(target).map((s) => s / sigma)
      const seen = covariance.map((row) => row.reduce((sum, v, i) => sum + v * slope[i]!, 0))
      const spread = 1 + seen.reduce((sum, v, i) => sum + v * slope[i]!, 0)
      return { kind, target, chain: chain.id, gain: seen[0]! ** 2 / (covariance[0]![0]! * spread), minutes }
    })
    .sort((a, b) => b.gain - a.gain)
}

function benchLinks(chain: Chain): number {
  return Math.min(BENCH_LINKS, chain.links)
}

function single({ scale }: Problem, at: number): number[] {
  return scale.map((s, i) => (i === at ? s : 0))
}

function candidates(sheet: DriveSheet, chain: Chain, { model }: Problem): { kind: ReadingKind; target: string }[] {
  const tensioner = sheet.tensioners.find((t) => t.chain === chain.id)
  return [
    ...(tensioner ? [{ kind: 'extension' as const, target: tensioner.id }, { kind: 'padWear' as const, target: tensioner.id }] : []),
    ...model.cams.map((target) => ({ kind: 'camLag' as const, target })),
    ...model.rails.map((target) => ({ kind: 'groove' as const, target })),
    { kind: 'chainLength', target: chain.id },
    { kind: 'chainCompare', target: chain.id }
  ]
}
