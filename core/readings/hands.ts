import { combineFigures, groupBy } from '../math'
import { methodOf, isNumeric } from './kinds'
import { partOf } from './partOf'
import type { Reading } from './types'

/**
 * Share of a reading's variance that is its hand's: how one person holds the tool and sees the line, the same each
 * time. Repeats shrink only the rest.
 */
export const HAND_SHARE = 0.5

/** What somebody's errors are kept by: a kind of reading and its method. */
export function handMethodOf({ kind, method }: Pick<Reading, 'kind' | 'method'>): string {
  return isNumeric(kind) ? `${kind} ${methodOf(kind, method)}` : kind
}

/** Whose hand a figure is of: one person's, by one method, at one place. What nobody is named for is one hand's. */
export function handOf(reading: Reading): string {
  const method = isNumeric(reading.kind) ? methodOf(reading.kind, reading.method) : ''
  const { from = '', to = '' } = reading.kind === 'linkCount' ? reading : {}
  return [reading.kind, method, partOf(reading), from, to, reading.by ?? ''].join(' ')
}

/** What is known of one thing by several readings of it; null without any. */
export function combineByHand(
  figures: readonly { reading: Reading; value: number; sigma: number }[]
): { mean: number; sd: number } | null {
  const hands = groupBy(figures, ({ reading }) => handOf(reading))
  return combineFigures(
    [...hands.values()].flatMap((mine) => {
      const shared = sharedVariance(mine)
      const own = combineFigures(mine.map(({ value, sigma }) => ({ value, sigma: Math.sqrt(sigma ** 2 - shared) })))
      return own ? [{ value: own.mean, sigma: Math.sqrt(own.sd ** 2 + shared) }] : []
    })
  )
}

/** Variance that the figures of one hand share; a figure alone has nothing to share it with. */
export function sharedVariance(figures: readonly { sigma: number }[]): number {
  return figures.length < 2 ? 0 : HAND_SHARE * Math.min(...figures.map(({ sigma }) => sigma)) ** 2
}
