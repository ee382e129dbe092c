import { dot } from '../math'
import { seen } from './marginals'
import type { Component } from './solve'
import type { Problem } from './trainProblem'
import type { DoubtPart } from './types'

/** Shares of a variance below this are not worth a line. */
const WORTH = 0.03
const MOST = 8

/**
 * What a figure's doubt is made of, the most first: for everything that is not known of the train, how much of the sd
 * would go if it alone were known (the root of the variance that knowing it takes away: (gᵀΣeᵢ)²/Σᵢᵢ for a figure of
 * slope g). What is left when all of them are is the readings' own.
 * @param slope of the figure per unknown, in prior units
 */
export function doubtMade(
  problem: Problem,
  { posterior: { covariance } }: Component,
  slope: readonly number[]
): DoubtPart[] {
  const along = seen(covariance, slope)
  const variance = dot(slope, along)
  if (!(variance > 0)) return []
  return unknownsOf(problem)
    .filter(({ at }) => !isItself(slope, at))
    .map(({ at, cause, of }) => ({ cause, of, share: along[at]! ** 2 / (covariance[at]![at]! * variance) }))
    .filter(({ share }) => share >= WORTH)
    .sort((a, b) => b.share - a.share)
    .slice(0, MOST)
    .map(({ cause, of, share }) => ({ cause, of, sd: Math.sqrt(Math.min(share, 1) * variance) }))
}

/** Is a figure one unknown alone? */
function isItself(slope: readonly number[], at: number): boolean {
  return slope.every((s, i) => (i === at ? s !== 0 : s === 0))
}

interface Unknown {
  at: number
  cause: DoubtPart['cause']
  of: string
}

function unknownsOf(problem: Problem): Unknown[] {
  const { parts, cams, nuisances, nuisancesAt, observations } = problem
  const hands = new Map(
    observations.flatMap(({ hand, reading }) => (hand === null || !reading ? [] : [[hand, reading.by ?? ''] as const]))
  )
  return [
    ...nuisances.map(({ question, of }, i): Unknown => ({ at: nuisancesAt + i, cause: question ?? 'bend', of })),
    ...[...hands].map(([at, by]): Unknown => ({ at, cause: 'hand', of: by })),
    ...parts.flatMap(({ chain, model, at }): Unknown[] => [
      { at: at.elongation, cause: 'elongation', of: chain.id },
      ...model.rails.map((rail, i): Unknown => ({ at: at.wear + i, cause: 'wear', of: rail })),
      ...(model.tensioner === null
        ? []
        : [
            { at: at.padWear, cause: 'padWear', of: model.tensioner } as const,
            { at: at.extension, cause: 'scatter', of: model.tensioner } as const
          ])
    ]),
    ...cams.map(({ id, part, place }): Unknown => ({ at: parts[part]!.at.lag + place, cause: 'scatter', of: id }))
  ]
}
