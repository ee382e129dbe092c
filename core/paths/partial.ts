import { contextOf, makeCalls, type PartCall, ridersOf } from '../calls'
import type { Message } from '../check'
import { AHEAD, type Estimates } from '../estimate'
import { roundFigures } from '../math'
import { findingsIn, type JobFile } from '../readings'
import { type Chain, compileSheet, type DriveSheet, type StopGap } from '../sheet'
import { accessTo, needsOf, spares } from './access'
import { assumptionsOf } from './cheapest'
import { priceJob } from './pricing'
import { refuse } from './says'
import { type Cost, ledgerOf, maskOf, scorer, type Ledger } from './scorePaths'
import { coupledTo } from './weighFindings'

/** What a partial way is: each leaves something open, and is a stop-gap until it is looked at again. */
export type PartialKind = 'rolled-in' | 'tensioner-alone' | 'stop-gap' | 'look-again'

/** A way that does less than a repair: what it costs, what it leaves open, and when it is looked at again. */
export interface PartialWay {
  id: string
  kind: PartialKind
  /** Components renewed. */
  renew: string[]
  /** Components kept that the way lets one look at. */
  looksAt: string[]
  operations: string[]
  cost: Omit<Cost, 'way'>
  /** Parts that it keeps although the evidence does not pass them, with what it says of them. */
  leaves: { part: string; call: PartCall['call'] }[]
  /** Engine usage at which it is looked at again at the latest, and months where its sheet says so. */
  recheck: { usage: number; months: number | null }
  /** Why it is not open here; null where it is. */
  refused: Message | null
}

/** Share of the horizon after which a partial repair is looked at again where its sheet does not say. */
const LOOK_AFTER = 1 / 3

/**
 * Ways that do less than a repair, for who chooses them knowingly: the chain rolled in with the covers on, the
 * tensioner alone, the stop-gaps of the sheet, and nothing but a look after some usage. What is not open says why.
 */
export function partialWays(asRead: JobFile, estimates: Estimates): PartialWay[] {
  const job = priceJob(asRead)
  const calls = makeCalls({ ...job, school: 'on-evidence' }, estimates)
  const { sheet } = compileSheet(job.drive)
  const of: Of = { job, estimates, calls, ledger: ledgerFor(job, estimates) }
  return roundFigures([
    ...sheet.chains.flatMap((chain) => rolledIn(of, chain)),
    ...sheet.tensioners.flatMap((tensioner) => tensionerAlone(of, tensioner.id)),
    ...(sheet.stopGaps ?? []).map((gap) => stopGap(of, gap)),
    lookAgain(of)
  ])
}

interface Of {
  job: JobFile
  estimates: Estimates
  calls: readonly PartCall[]
  ledger: Ledger
}

function ledgerFor(job: JobFile, estimates: Estimates, horizon?: number): Ledger {
  const assumptions = assumptionsOf(job, horizon === undefined ? {} : { horizon })
  return ledgerOf(job, estimates, assumptions, coupledTo(contextOf(job, estimates)))
}

/** The chain drawn in by the old one, with its tensioner; rails that this way does not reach are looked at and kept. */
function rolledIn(of: Of, chain: Chain): PartialWay[] {
  const { job } = of
  const part = spares(job.drive).find(({ fits }) => fits === chain.id)
  const way = job.drive.waysIn?.find(({ needs }) => part && needs[part.id])
  if (!part || !way) return []
  const tensioner = compileSheet(job.drive).tensionerOf(chain.id)
  const renew = [chain.id, ...(tensioner ? [tensioner.id] : [])]
  const kept = ridersOf(job.drive, chain).filter((id) => !renew.includes(id))
  const parts = unseen(job, kept)
  const refused =
    heldBack(of, renew) ??
    ranOnMetal(job, chain, kept) ??
    firstCondemned(of, kept) ??
    (parts.length > 0 ? refuse('not-looked-at', { parts }) : null)
  return [make(of, { id: `rolled-in-${chain.id}`, kind: 'rolled-in', renew, looksAt: kept, refused })]
}

/** A new tensioner on the old chain: it gives back no travel that the chain has taken. */
function tensionerAlone(of: Of, tensioner: string): PartialWay[] {
  if (!spares(of.job.drive).some(({ fits }) => fits === tensioner)) return []
  const refused = heldBack(of, [tensioner])
  return [make(of, { id: `alone-${tensioner}`, kind: 'tensioner-alone', renew: [tensioner], looksAt: [], refused })]
}

/** Operations that reach a stop-gap, and the hours of it all. */
export function reachStopGap({ operations = [] }: DriveSheet, { needs, hours }: StopGap) {
  const access = accessTo(operations, needs)
  return { operations: access, hours: access.reduce((sum, one) => sum + one.hours, hours) }
}

/** A stop-gap of the sheet: spring and washer, re-tensioning, a manual adjuster for some months. */
function stopGap(of: Of, gap: StopGap): PartialWay {
  const { job, ledger } = of
  const { operations, hours } = reachStopGap(job.drive, gap)
  const labour = hours * ledger.assumptions.hourRate
  const now = labour + gap.price
  const way = make(of, { id: gap.id, kind: 'stop-gap', renew: [], looksAt: [], refused: heldBack(of, []) })
  return {
    ...way,
    operations: operations.map(({ id }) => id),
    cost: { ...way.cost, hours, labour, partsPrice: gap.price, itemsPrice: 0, now, expected: now + way.cost.expected },
    recheck: { usage: job.usage.value + gap.holds, months: gap.months ?? null }
  }
}

/** Nothing now: looked at again after some usage, never past what the customer asks it to hold. */
function lookAgain(of: Of): PartialWay {
  const { job, estimates, ledger } = of
  const ahead = Math.min(AHEAD[job.usage.unit], ledger.assumptions.horizon)
  const shorter = ledgerFor(job, estimates, ahead)
  const refused =
    heldBack(of, []) ??
    firstCondemned(
      of,
      ledger.parts.map(({ fits }) => fits)
    )
  const way = make(
    { ...of, ledger: shorter },
    { id: 'look-again', kind: 'look-again', renew: [], looksAt: [], refused }
  )
  return { ...way, recheck: { usage: job.usage.value + ahead, months: null } }
}

function make(
  { job, calls, ledger }: Of,
  way: Pick<PartialWay, 'id' | 'kind' | 'renew' | 'looksAt' | 'refused'>
): PartialWay {
  const mask = maskOf(ledger, way.renew)
  const { way: place, ...cost } = scorer(ledger)(mask)
  const parts = ledger.parts.filter(({ fits }) => way.renew.includes(fits))
  const operations = accessTo(
    job.drive.operations ?? [],
    parts.flatMap((part) => needsOf(part, ledger.ways[place]!.way))
  )
  return {
    ...way,
    operations: operations.map(({ id }) => id),
    cost,
    leaves: calls
      .filter(({ part, call }) => call !== 'back-in' && !way.renew.includes(part))
      .map(({ part, call }) => ({ part, call })),
    recheck: { usage: job.usage.value + Math.round(LOOK_AFTER * ledger.assumptions.horizon), months: null }
  }
}

/** What must not be turned or run leaves no stop-gap open, unless the way renews it. */
function heldBack({ calls }: Of, renew: readonly string[]): Message | null {
  const held = calls.find(({ part, call }) => call === 'stop' && !renew.includes(part))
  return held ? refuse('held', { part: held.part }) : null
}

function firstCondemned({ calls }: Of, parts: readonly string[]): Message | null {
  const bad = calls.find(
    ({ part, reasons }) =>
      parts.includes(part) && reasons.some(({ call, rule }) => call === 'renew' && !COUPLED.has(rule))
  )
  return bad ? refuse('condemned', { part: bad.part }) : null
}

/** Renewed because something else is, not for what was found on it. */
const COUPLED: ReadonlySet<string> = new Set(['new-chain', 'sprockets-follow'])

function ranOnMetal({ readings }: JobFile, chain: Chain, rails: readonly string[]): Message | null {
  const found =
    findingsIn(readings, ['ran-on-metal'], chain.id).length > 0 ||
    rails.some((rail) => findingsIn(readings, ['chain-on-metal', 'metal-showing'], rail).length > 0)
  return found ? refuse('ran-on-metal', { chain: chain.id }) : null
}

/** Rails that nobody has measured or looked at. */
function unseen({ readings, drive }: JobFile, rails: readonly string[]): string[] {
  const { rails: known } = compileSheet(drive)
  return rails.filter(
    (id) =>
      known.has(id) &&
      !readings.some((r) => (r.kind === 'groove' && r.rail === id) || (r.kind === 'condition' && r.target === id))
  )
}
