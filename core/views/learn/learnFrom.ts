import type { Call } from '../../calls'
import { groupBy, NINETY } from '../../math'
import { type HoursTaken, hoursTaken } from './hoursTaken'
import type { JobSummary } from '../summary'
import type { Usage, UsageUnit } from '../../readings'
import { type Reached, reachedAt, wearRate, type WearRate } from '../../estimate'
import type { CalibrationPoint } from '../summary'

/** A job as far as the workshop learns from it. */
export interface LearntFrom {
  vehicle: string
  vehicleId: string | null
  usage: Usage
  openedAt: string
  closed: boolean
  summary: JobSummary
}

/** How one chain of one engine wears, from its own history since it was fitted. */
export interface EngineRate extends WearRate {
  vehicle: string
  vehicleId: string | null
  chain: string
  /** When the engine was last seen: days until something is due count from here. */
  seenAt: string
  /** When the elongation limit is reached; null without a limit or when it never is. */
  limit: Reached | null
  /** When the tensioner's travel ends, rails wearing on with the chain; null when it never does. */
  travel: Reached | null
}

/** How the chains of one engine type wear, in one unit of usage. */
export interface TypeRate {
  sheet: string
  unit: UsageUnit
  engines: EngineRate[]
  /**
   * Over all engines of the type: fraction per unit, with the scatter between engines in it; null under two engines.
   */
  over: { mean: number; low: number; high: number } | null
}

export interface Learnt {
  types: TypeRate[]
  calibration: CalibrationPoint[]
  held: { held: number; of: number }
  /** How often a part was condemned in a later job, by the call it had in a closed one. */
  cameBack: { call: Call; parts: number; back: number }[]
  /** How long operations take here, against their sheets. */
  hours: HoursTaken[]
}

const CALLS: readonly Call[] = ['back-in', 'look-closer', 'renew']

/**
 * What the jobs of a workshop teach. Units of usage are never mixed, nor the chain before a renewal with the one after
 * it.
 */
export function learnFrom(jobs: readonly LearntFrom[]): Learnt {
  const calibration = jobs.flatMap(({ summary }) => summary.calibration)
  return {
    types: typeRates(jobs),
    calibration,
    held: coverage(calibration),
    cameBack: CALLS.map((call) => comeBacks(jobs, call)),
    hours: hoursTaken(jobs)
  }
}

function typeRates(jobs: readonly LearntFrom[]): TypeRate[] {
  const types = groupBy(
    jobs.flatMap((job) => (job.vehicleId === null ? [] : [{ ...job, vehicleId: job.vehicleId }])),
    ({ summary, usage }) => `${summary.sheet.id} ${usage.unit}`
  )
  return [...types.values()]
    .flatMap((ofType): TypeRate[] => {
      const engines = [...groupBy(ofType, ({ vehicleId }) => vehicleId).values()].flatMap(engineRates)
      if (engines.length === 0) return []
      return [
        { sheet: ofType[0]!.summary.sheet.name, unit: ofType[0]!.usage.unit, engines, over: poolEngines(engines) }
      ]
    })
    .sort((a, b) => a.sheet.localeCompare(b.sheet))
}

/** Rates of one engine's chains, each from the jobs since it was last renewed. */
function engineRates(jobs: readonly LearntFrom[]): EngineRate[] {
  const byUsage = [...jobs].sort((a, b) => a.usage.value - b.usage.value)
  const chains = new Map(
    byUsage.flatMap(({ summary }) =>
      summary.measures.filter(({ kind }) => kind === 'elongation').map(({ part, name }) => [part, name] as const)
    )
  )
  return [...chains].flatMap(([chain, name]): EngineRate[] => {
    const renewed = byUsage.filter(({ summary }) => summary.renewed.includes(chain)).map(({ usage }) => usage.value)
    const fittedAt = renewed.at(-1)
    const measured = byUsage.flatMap(({ usage, summary }) =>
      summary.measures
        .filter(({ kind, part }) => kind === 'elongation' && part === chain)
        .map((m) => ({
          usage: usage.value,
          mean: m.value / 100,
          sd: m.sd / 100,
          limit: m.limit,
          travelEnd: m.travelEnd ?? null
        }))
    )
    // A job that renewed the chain measured the old one: without jobs since, the old chain's rate is what is known.
    const until =
      fittedAt !== undefined && measured.some(({ usage }) => usage > fittedAt) ? Infinity : (fittedAt ?? Infinity)
    const from = until === Infinity ? (fittedAt ?? 0) : (renewed.at(-2) ?? 0)
    const points = measured.filter(({ usage }) => usage > from && usage <= until)
    const rate = wearRate(points, from)
    if (!rate || !(rate.rate.mean > 0)) return []
    const { limit, travelEnd } = points.at(-1)!
    const newest = byUsage.at(-1)!
    const due = (percent: number | null | undefined) =>
      percent == null ? null : reachedAt(rate, percent / 100, from, newest.usage.value, perDay(byUsage))
    return [
      {
        ...rate,
        vehicle: newest.vehicle,
        vehicleId: newest.vehicleId,
        chain: name,
        seenAt: newest.openedAt,
        limit: due(limit?.value),
        travel: due(travelEnd)
      }
    ]
  })
}

/** Days between two jobs below which they say nothing of how much an engine is used. */
const ENOUGH_DAYS = 30

/** Usage a day between an engine's first and last job; undefined where they tell nothing of it. */
function perDay(byUsage: readonly LearntFrom[]): number | undefined {
  const [first, last] = [byUsage[0]!, byUsage.at(-1)!]
  const days = (Date.parse(last.openedAt) - Date.parse(first.openedAt)) / 86_400_000
  const used = last.usage.value - first.usage.value
  return days >= ENOUGH_DAYS && used > 0 ? used / days : undefined
}

/** The mean rate of several engines, its interval from how they scatter and how well each is known. */
function poolEngines(engines: readonly EngineRate[]): TypeRate['over'] {
  if (engines.length < 2) return null
  const rates = engines.map(({ rate }) => rate.mean)
  const mean = rates.reduce((sum, r) => sum + r, 0) / rates.length
  const between = rates.reduce((sum, r) => sum + (r - mean) ** 2, 0) / (rates.length - 1)
  const within = engines.reduce((sum, { rate }) => sum + rate.sd ** 2, 0) / engines.length
  const spread = NINETY * Math.sqrt(Math.max(between, within))
  return { mean, low: Math.max(0, mean - spread), high: mean + spread }
}

function comeBacks(jobs: readonly LearntFrom[], call: Call): Learnt['cameBack'][number] {
  let [parts, back] = [0, 0]
  for (const job of jobs.filter(({ closed, vehicleId }) => closed && vehicleId !== null)) {
    const later = jobs.filter(
      (other) =>
        other.vehicleId === job.vehicleId &&
        other.summary.sheet.id === job.summary.sheet.id &&
        other.openedAt > job.openedAt
    )
    if (later.length === 0) continue
    const called = Object.entries(job.summary.partCalls)
      .filter(([, had]) => had === call)
      .map(([part]) => part)
    parts += called.length
    back += called.filter((part) =>
      later.some(({ summary }) => summary.partCalls[part] === 'renew' || summary.partCalls[part] === 'stop')
    ).length
  }
  return { call, parts, back }
}

/** Of some points, how many lie within the 90 % interval of what was to be expected. */
export function coverage(points: readonly CalibrationPoint[]): { held: number; of: number } {
  return {
    held: points.filter(({ mean, sd, bench, benchSd }) => Math.abs(bench - mean) <= NINETY * Math.hypot(sd, benchSd))
      .length,
    of: points.length
  }
}
