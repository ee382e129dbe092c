import { type Corrections, bledDown, chainModel, type ChainWear, rideOver, type RideOver, slackBetween } from '../drive'
import { NINETY } from '../math'
import { atUsage, findingsIn, type JobFile, STRETCH_KINDS, type UsageUnit } from '../readings'
import { type Chain, compileSheet, type DriveSheet, type Tensioner } from '../sheet'
import { chainRates } from './chainRates'
import type { Estimates } from './schema'

/** A share of what is needed, with its 90 % interval; 1 is as much slack as it takes. */
export interface Share {
  mean: number
  low: number
  high: number
}

/** How near a chain is to riding over its sprockets. First order: never a reason to pass a part. */
export interface NearJump {
  chain: string
  /** Did a reading tell how far its tensioner stands out, or how long it is? Else it is the usual, and no claim. */
  told: boolean
  /** mm of chain that are free with the plunger bled down to its last notch, or all the way without a ratchet. */
  slack: Share
  ratchet: boolean
  /** By sprocket, the nearest first. */
  sprockets: (Share & RideOver)[]
  /** The nearest sprocket's share after some more usage at the chain's wear rate; null where that is not known. */
  later: (Share & { usage: number }) | null
}

/** Usage ahead that is looked at. */
export const AHEAD: Readonly<Record<UsageUnit, number>> = { km: 20_000, mi: 12_500, h: 450 }

/** Relative doubt of what is needed: its teeth measured, or taken to be as they usually are. */
const NEEDED_DOUBT = { measured: 0.1, usual: 0.25 } as const

/** For every chain how near it is to jumping; one whose geometry does not exist in its state is left out. */
export function nearJumps(asRead: JobFile, estimates: Estimates, ahead = AHEAD[asRead.usage.unit]): NearJump[] {
  const job = atUsage(asRead)
  const rates = chainRates(job, estimates)
  return job.drive.chains.flatMap((chain) => {
    const growth = growthOf(job, chain, rates[chain.id]?.rate, ahead)
    const near = whereItExists(() => nearJump(job, estimates, chain, growth, ahead))
    return near ? [near] : []
  })
}

/** The nearest sprocket of one chain as it stands now; null where no reading tells, or its geometry does not exist. */
export function nearestNow(asRead: JobFile, estimates: Estimates, chain: Chain): Share | null {
  const job = atUsage(asRead)
  if (!isTold(job, estimates, chain)) return null
  return whereItExists(() => rideNow(job, estimates, chain).sprockets[0] ?? null)
}

/** Null where there is no drive in that state. */
function whereItExists<T>(look: () => T): T | null {
  try {
    return look()
  } catch (error) {
    if (error instanceof RangeError) return null
    throw error
  }
}

/** Does a reading tell how far its tensioner stands out, or how long it is? */
function isTold({ readings }: JobFile, { chains }: Estimates, { id: chain }: Chain): boolean {
  const used = new Set(chains[chain]!.readings)
  return readings.some(({ id, kind }) => used.has(id) && STRETCH_KINDS.includes(kind))
}

/** Times which everything of the chain will have worn by then, at its slow, mean and fast end; null without a rate. */
function growthOf(
  { usage, fitted }: JobFile,
  { id }: Chain,
  rate: { mean: number; low: number; high: number } | undefined,
  ahead: number
): Share | null {
  const used = usage.value - (fitted?.[id] ?? 0)
  if (!rate || !(used > 0) || !(rate.mean > 0)) return null
  const by = (speed: number) => 1 + (ahead / used) * (speed / rate.mean)
  return { low: by(rate.low), mean: by(rate.mean), high: by(rate.high) }
}

/** How it stands now, with what its future is worked out from. */
function rideNow(job: JobFile, estimates: Estimates, chain: Chain) {
  const { drive, corrections = {} } = job
  const tensioner = heldBy(job, compileSheet(drive).tensionerOf(chain.id))
  const state = stateOf(drive, chain, estimates, corrections)
  const of: Of = { drive, chain, tensioner, corrections }
  const at = tensioner && estimates.tensioners[tensioner.id]
  const doubt = at ? NINETY * at.extension.sd : 0
  const slack = slackAt(of, state, at?.extension.predicted ?? 0, doubt, at?.slack ?? 0)
  const sprockets = rideOver(drive, chain, state, corrections)
    .filter(({ needed }) => needed > 0)
    .map((needs) => ({ ...needs, ...shareOf(slack, needs) }))
    .sort((a, b) => b.mean - a.mean)
  return { of, state, doubt, slack, sprockets }
}

function nearJump(job: JobFile, estimates: Estimates, chain: Chain, growth: Share | null, ahead: number): NearJump {
  const { of, state, doubt, slack, sprockets } = rideNow(job, estimates, chain)
  const [nearest] = sprockets
  return {
    chain: chain.id,
    told: isTold(job, estimates, chain),
    slack,
    ratchet: of.tensioner?.ratchet !== undefined,
    sprockets,
    later:
      growth && nearest ? { usage: job.usage.value + ahead, ...shareLater(of, state, growth, doubt, nearest) } : null
  }
}

/** Findings that say that a ratchet does not hold. */
const LETS_GO = ['plunger-slips-back', 'ratchet-worn']

/** The tensioner as it holds: one whose ratchet lets go has none. */
function heldBy({ readings }: JobFile, tensioner: Tensioner | null): Tensioner | null {
  if (!tensioner?.ratchet || findingsIn(readings, LETS_GO, tensioner.id).length === 0) return tensioner
  const { ratchet: _ratchet, ...rest } = tensioner
  return rest
}

interface Of {
  drive: DriveSheet
  chain: Chain
  tensioner: Tensioner | null
  corrections: Corrections
}

function stateOf(drive: DriveSheet, chain: Chain, estimates: Estimates, corrections: Corrections): ChainWear {
  const model = chainModel(drive, chain, corrections)
  return {
    elongation: estimates.chains[chain.id]!.elongation.mean,
    wear: model.rails.map((rail) => estimates.rails[rail]!.wear.mean),
    padWear: model.tensioner === null ? 0 : estimates.tensioners[model.tensioner]!.padWear.mean
  }
}

/**
 * mm of chain free with the plunger bled down from an extension that is known so well. Where its interval holds a
 * notch, the plunger may go back anything up to one pitch.
 * @param over mm that are left over with the plunger at its end
 */
function slackAt(of: Of, state: ChainWear, extension: number, doubt: number, over: number): Share {
  const { drive, chain, tensioner, corrections } = of
  if (!tensioner) return { low: over, mean: over, high: over }
  const { ratchet, stroke } = tensioner
  const within = (mm: number) => Math.min(Math.max(mm, 0), stroke)
  const free = (from: number, to: number) => over + slackBetween(drive, chain, state, { from, to }, corrections)
  const [low, mean, high] = [within(extension - doubt), within(extension), within(extension + doubt)]
  if (!ratchet) return { low: free(low, 0), mean: free(mean, 0), high: free(high, 0) }
  if (bledDown(tensioner, low) === bledDown(tensioner, high))
    return {
      low: free(low, bledDown(tensioner, low)),
      mean: free(mean, bledDown(tensioner, mean)),
      high: free(high, bledDown(tensioner, high))
    }
  const back = (share: number) => free(mean, within(mean - share * ratchet.pitch))
  return { low: over, mean: back(0.5), high: back(1) }
}

function shareOf(slack: Share, { needed, measured }: RideOver): Share {
  const doubt = NINETY * (measured ? NEEDED_DOUBT.measured : NEEDED_DOUBT.usual)
  return {
    mean: slack.mean / needed,
    low: slack.low / (needed * (1 + doubt)),
    high: slack.high / (needed * (1 - doubt))
  }
}

function shareLater(of: Of, state: ChainWear, growth: Share, doubt: number, needs: RideOver): Share {
  const { drive, chain, corrections } = of
  const model = chainModel(drive, chain, corrections)
  const then = (times: number) => {
    const worn = {
      elongation: state.elongation * times,
      wear: state.wear.map((w) => w * times),
      padWear: state.padWear * times
    }
    const { extension, slack } = model.readout(worn)
    return slackAt(of, worn, extension ?? 0, doubt, slack)
  }
  const [slow, mean, fast] = [then(growth.low), then(growth.mean), then(growth.high)]
  return shareOf({ low: slow.low, mean: mean.mean, high: fast.high }, needs)
}
