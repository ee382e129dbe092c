import { groupBy } from '../math'
import { impossibleReading, type JobFile, type KnownReading, readingSigma } from '../readings'
import { type Priors, wrongOdds } from './priors'
import { WRONG } from './readingEstimates'
import type { ReadingEstimate } from './types'
import { type Way, waysOf } from './ways'

/** Points of the grid over a phaser's play, and how far beyond the greatest reading it goes, crank degrees. */
const POINTS = 400
const BEYOND = 8
/** A share of phasers is worn far more: as many times the usual play. */
const LOOSE = { share: 0.1, times: 6 }

type PlayReading = Extract<KnownReading, { kind: 'phaserPlay' }>

/**
 * What several readings of a phaser's play say of each other: play stands outside a train's estimate, so each of them
 * may be right or wrong in one of its ways whatever the others are, and is weighed over all that the play may be. A
 * lone one is never called wrong.
 */
export function playReadings({ drive, readings }: JobFile, priors: Priors): ReadingEstimate[] {
  const plays = readings.filter(
    (reading): reading is PlayReading => reading.kind === 'phaserPlay' && !impossibleReading(drive, reading)
  )
  return [...groupBy(plays, ({ phaser }) => phaser).values()].flatMap((mine) =>
    mine.length < 2
      ? []
      : weighTogether(
          mine.map((reading) => heardOf(drive, reading, priors)),
          priors
        )
  )
}

interface Heard {
  reading: PlayReading
  sigma: number
  wrong: number
  ways: Way[]
}

function heardOf(drive: JobFile['drive'], reading: PlayReading, priors: Priors): Heard {
  return {
    reading,
    sigma: readingSigma(drive, reading) ?? NaN,
    wrong: wrongOdds(priors, 'phaserPlay', reading.method ?? ''),
    ways: waysOf(drive, reading, reading.value, 0)
  }
}

function weighTogether(heard: readonly Heard[], { play: scale }: Priors): ReadingEstimate[] {
  const far = Math.max(...heard.map(({ reading }) => reading.value)) + BEYOND
  const grid = Array.from({ length: POINTS }, (_, i) => ((i + 0.5) * far) / POINTS)
  const believed = grid.map((play) => {
    const usual = Math.exp(-((play / scale) ** 2) / 2)
    const loose = Math.exp(-((play / (LOOSE.times * scale)) ** 2) / 2) / LOOSE.times
    return (1 - LOOSE.share) * usual + LOOSE.share * loose
  })
  const right = heard.map(({ reading, sigma, wrong }) => grid.map((p) => (1 - wrong) * normal(reading.value, p, sigma)))
  const asWay = heard.map(({ sigma, wrong, ways }) =>
    ways.map(({ value, times, spread, share }) =>
      grid.map((p) => wrong * share * times * normal(value, p, Math.hypot(times * sigma, spread)))
    )
  )
  const all = heard.map((_, k) => grid.map((_, i) => asWay[k]!.reduce((sum, way) => sum + way[i]!, right[k]![i]!)))
  return heard.map(({ reading, sigma, ways }, k) => {
    const others = grid.map((_, i) => heard.reduce((p, _, j) => (j === k ? p : p * all[j]![i]!), believed[i]!))
    const mass = (of: readonly number[]) => others.reduce((sum, other, i) => sum + other * of[i]!, 0)
    const total = mass(all[k]!)
    const odds = asWay[k]!.map((way) => mass(way) / total)
    const wrong = Math.min(
      1,
      odds.reduce((sum, one) => sum + one, 0)
    )
    const likely = odds.indexOf(Math.max(...odds))
    const predicted = mass(grid) / mass(grid.map(() => 1))
    const { as, value } = ways[likely]!
    const isNamed = wrong > WRONG && as !== 'moved'
    return {
      id: reading.id,
      predicted,
      residual: (reading.value - predicted) / sigma,
      sigma,
      wrong,
      wrongAs: isNamed ? as : null,
      wouldRead: isNamed ? (as === 'far-off' ? predicted : value) : null,
      atOdds: wrong > WRONG
    }
  })
}

const normal = (value: number, mean: number, sd: number) => Math.exp(-(((value - mean) / sd) ** 2) / 2) / sd
