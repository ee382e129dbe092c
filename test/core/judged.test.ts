import { describe, expect, it } from 'vitest'
import { stakesOf } from '../../core/paths/stakes'
import { condemnedIn } from '../../core/paths/assess'
import { assess } from '../../core/paths'
import { tryEverything } from '../support/bruteForce'
import { type Circumstances, drawCase } from '../support/judged'
import { SHEETS, sheet } from '../support/sheets'
import { tally } from '../support/tally'

/** The table of `npm run bench:judgement` in small, with bounds as wide as so few engines need. */

const charted = SHEETS.filter((name) => name !== 'quillon-q40-counted')
const judged = (circumstances: Circumstances, engines = 120) =>
  tally(
    Array.from({ length: engines }, (_, i) => drawCase(sheet(charted[i % charted.length]!), 613 * i + 5, circumstances))
  )

describe('engines of known truth', () => {
  it('read honestly lie in their 90 % intervals about that often', () => {
    const { elongation, wear, lag, blamed } = judged({})
    for (const share of [elongation, wear, lag]) {
      expect(share.percent).toBeGreaterThan(82)
      expect(share.percent).toBeLessThan(98)
    }
    expect(blamed.percent).toBeLessThan(1.5)
  })

  it('with one reading in twenty wrong are claimed rightly where they are claimed, and seldom stopped or blamed', () => {
    const { sure, stopped, found, blamed, elongation } = judged({ gross: 0.05 })
    expect(sure.percent).toBeGreaterThan(97.5)
    expect(stopped.percent).toBeLessThan(3)
    expect(found.percent).toBeGreaterThan(45)
    expect(blamed.percent).toBeLessThan(2)
    expect(elongation.percent).toBeGreaterThan(80)
  })

  it('machined or warm, and nobody told, are held all the same', () => {
    expect(judged({ skim: (roll) => roll.between(0, 0.4) }).elongation.percent).toBeGreaterThan(80)
    expect(judged({ heat: (roll) => roll.between(0, 80) }).elongation.percent).toBeGreaterThan(78)
  })

  it('with rails twice as worn do not get one back that was read past its limit', () => {
    expect(judged({ rails: 2 }).passed.percent).toBeLessThan(4)
  })

  it('read four times by one hand are not known four times as well', () => {
    expect(judged({ repeats: { times: 4, shared: 0.75 } }, 60).elongation.percent).toBeGreaterThan(76)
  })
})

it('what is advised to be read next is about as good as trying everything finds', () => {
  const situations = 6
  const shortfall = Array.from({ length: situations }, (_, i) => {
    const { job } = drawCase(sheet('ardmere-a18'), 4400 + 31 * i)
    const few = { ...job, readings: job.readings.filter(({ kind }) => kind !== 'linkCount').slice(0, 1 + (i % 3)) }
    const { calls, next: asked } = assess(few)
    const tried = tryEverything(few, stakesOf(few), 17 + i, condemnedIn(calls)).map((one) => ({
      ...one,
      rate: one.worth / one.minutes
    }))
    const same = (one: { kind: string; target: string; from?: string | undefined }, other: typeof one) =>
      one.kind === other.kind && one.target === other.target && one.from === other.from
    const next = asked.find((one) => tried.some((other) => same(one, other)))!
    const mine = tried.find((one) => same(one, next) && one.method === next.method)!
    const best = Math.max(...tried.map(({ rate }) => rate))
    return best > 0 ? 1 - mine.rate / best : 0
  })
  expect(shortfall.reduce((sum, short) => sum + short, 0) / situations).toBeLessThan(0.3)
})
