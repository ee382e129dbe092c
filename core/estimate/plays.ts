import { phasersOn } from '../drive'
import {
  combineByHand,
  impossibleReading,
  methodMinutes,
  methodSigma,
  READING_KINDS,
  type Reading,
  readingSigma
} from '../readings'
import type { DriveSheet, Phaser } from '../sheet'
import type { Priors } from './priors'
import { lossOf, type Stakes } from './stakes'
import type { Problem } from './trainProblem'
import { type RankedReading, savingMost } from './types'

/**
 * Play stands outside a train's estimate: what is known of a phaser's is its prior and its own readings, on a grid.
 */
export function playsOf(
  sheet: DriveSheet,
  { parts }: Problem,
  taken: readonly Reading[],
  priors: Priors,
  stakes: Stakes
): { loss: number; next: RankedReading[] } {
  const mine = parts.flatMap(({ chain }) => phasersOn(sheet, chain).map((phaser) => ({ phaser, chain: chain.id })))
  const each = mine.map(({ phaser, chain }) => playOf(sheet, phaser, chain, taken, priors, stakes))
  return { loss: each.reduce((sum, { loss }) => sum + loss, 0), next: each.flatMap(({ next }) => next) }
}

/** Points of the grid, and how many of the prior's scales it reaches. */
const POINTS = 40
const REACH = 5

function playOf(
  sheet: DriveSheet,
  phaser: Phaser,
  chain: string,
  taken: readonly Reading[],
  priors: Priors,
  stakes: Stakes
): { loss: number; next: RankedReading[] } {
  const reads = taken.flatMap((reading) =>
    reading.kind === 'phaserPlay' && reading.phaser === phaser.id && !impossibleReading(sheet, reading) ? [reading] : []
  )
  const limit = phaser.playLimit?.value ?? null
  const grid = believed(sheet, reads, priors, limit)
  const stake = stakes.of(phaser.id, 'wear')
  const odds = grid.reduce((sum, { weight, past }) => sum + weight * past, 0)
  const loss = limit === null ? 0 : lossOf(stake, odds)
  const finest = Math.min(...reads.map((r) => r.sigma ?? methodSigma('phaserPlay', r.method) ?? Infinity))
  const methods = Object.entries(READING_KINDS.phaserPlay.methods).filter(
    ([, sigma]) => reads.length === 0 || sigma < finest
  )
  const offers = methods.map(([method, sigma]): RankedReading => {
    const left = limit === null ? 0 : lossAfter(grid, sigma, (p) => lossOf(stake, p))
    const worth = Math.max(0, loss - left)
    const cut = loss > 0 ? worth / loss : 0
    return {
      kind: 'phaserPlay',
      target: phaser.id,
      method,
      chain,
      gain: 0,
      worth,
      narrows: { from: 0, to: 0 },
      settles: limit === null ? [] : [{ part: phaser.id, odds, cut, saved: worth }],
      minutes: methodMinutes('phaserPlay', method)
    }
  })
  const [best] = offers.sort(savingMost)
  return { loss, next: best ? [best] : [] }
}

interface Point {
  play: number
  weight: number
  past: number
}

/** What is believed of a play: half-normal, times its readings. */
function believed(
  sheet: DriveSheet,
  reads: readonly Extract<Reading, { kind: 'phaserPlay' }>[],
  { play: scale }: Priors,
  limit: number | null
): Point[] {
  const read = combineByHand(
    reads.map((reading) => ({ reading, value: reading.value, sigma: readingSigma(sheet, reading) ?? NaN }))
  )
  const far = Math.max(REACH * scale, limit === null ? 0 : 2 * limit, read ? read.mean + 5 * read.sd : 0)
  const step = far / POINTS
  const points = Array.from({ length: POINTS }, (_, i) => {
    const play = (i + 0.5) * step
    const off = read ? (play - read.mean) / read.sd : 0
    return { play, weight: Math.exp(-((play / scale) ** 2 + off * off) / 2), past: shareAbove(play, step, limit) }
  })
  const total = points.reduce((sum, { weight }) => sum + weight, 0)
  return points.map((point) => ({ ...point, weight: total > 0 ? point.weight / total : 1 / POINTS }))
}

/** How much of a cell of the grid lies past the limit. */
function shareAbove(middle: number, step: number, limit: number | null): number {
  return limit === null ? 0 : Math.min(1, Math.max(0, (middle + step / 2 - limit) / step))
}

/** What is lost on average once the play has been read: over a grid of what may be read. */
function lossAfter(grid: readonly Point[], sigma: number, lossAt: (odds: number) => number): number {
  const far = grid.at(-1)!.play + 3 * sigma
  const step = (far + 3 * sigma) / POINTS
  let [sum, total] = [0, 0]
  for (let k = 0; k < POINTS; k++) {
    const value = -3 * sigma + (k + 0.5) * step
    let [past, all] = [0, 0]
    for (const point of grid) {
      const likely = point.weight * Math.exp(-(((value - point.play) / sigma) ** 2) / 2)
      all += likely
      past += likely * point.past
    }
    total += all
    if (all > 0) sum += all * lossAt(past / all)
  }
  return sum / total
}
