import { contextOf, makeCalls } from '../calls'
import { coupledTo } from './weighFindings'
import type { Estimates } from '../estimate'
import type { JobFile, School } from '../readings'
import { roundFigures } from '../math'
import { accessTo, needsOf } from './access'
import { assumptionsOf, cheapest, type Cheapest, type Progress } from './cheapest'
import type { Assumptions } from './assumptions'
import type { KeptOdds } from './keptOdds'
import { priceJob } from './pricing'
import { closeOver, type Cost, ledgerOf, maskOf, MOST_PARTS, scorer } from './scorePaths'

/** A set of renewals with its cost and its risk. */
export interface Path {
  /**
   * The schools it is the path of (the weighed one is the cheapest expected); empty for one that only stands on the
   * front.
   */
  schools: School[]
  /** Components renewed. */
  renew: string[]
  cost: Omit<Cost, 'way'>
  /** Parts that it keeps and that the readings do not decide yet, and what it costs if all of them turn out worn. */
  undecided: { parts: string[]; atMost: number }
  /** The way in; null for the usual one. */
  way: string | null
  /** Operations in an order in which they can be done, each once however many parts need it. */
  operations: string[]
  /** Always-renewed items, each once. */
  items: { id: string; quantity: number }[]
  /** Does it stand on the front between price now and odds of coming back? */
  onFront: boolean
  /** How it differs from the path before it, cheaper now; null for the first. */
  differs: PathDifference | null
}

/** What one path renews more or less than the one before it, and what that changes. */
export interface PathDifference {
  more: string[]
  less: string[]
  /** More hours than the one before it. */
  hours: number
  /** Odds of coming back, of the one before it and of this. */
  comeBack: { from: number; to: number }
}

export interface Paths {
  assumptions: Assumptions
  /** Schools, cheapest and front, by price now. */
  paths: Path[]
  /** What each part's odds of coming back, when kept, rest on. */
  kept: Record<string, KeptOdds>
  /** Components that must be renewed and that the sheet has no part for: they are in no price. */
  unpriced: string[]
  /** Parts of the sheet beyond the fifteen that are weighed. */
  leftOut: string[]
}

/**
 * Repair paths side by side: what each school renews, the cheapest expected, and the front between price now and odds
 * of coming back, out of every allowed set of renewals. Null for a sheet without parts.
 */
export function pathsOf(
  unpriced: JobFile,
  estimates: Estimates,
  changes: Partial<Assumptions> = {},
  progress?: Progress
): Paths | null {
  if (!unpriced.drive.parts?.length) return null
  const job = priceJob(unpriced)
  const offered = job.drive.parts ?? []
  const assumptions = assumptionsOf(job, changes)
  const renewals = (school: School) =>
    makeCalls({ ...job, school }, estimates)
      .filter(({ reasons }) => reasons.some(({ call }) => call === 'renew'))
      .map(({ part }) => part)
  const evidence = renewals('on-evidence')
  const found = cheapest(job, estimates, evidence, coupledTo(contextOf(job, estimates)), assumptions, progress)
  const { ledger, forced } = found
  const named = new Map<number, School[]>()
  const name = (mask: number, school: School) => named.set(mask, [...(named.get(mask) ?? []), school])
  name(closeOver(ledger, forced), 'on-evidence')
  name(closeOver(ledger, forced | maskOf(ledger, renewals('whole-set'))), 'whole-set')
  name(found.best, 'weighed')
  const front = frontOf(found)
  const shown = [...new Set([...named.keys(), ...front])]
    .map((mask) => ({ mask, cost: found.score(mask) }))
    .sort((a, b) => a.cost.now - b.cost.now || a.mask - b.mask)
  const bought = new Set(ledger.parts.map(({ fits }) => fits))
  const open = undecidedIn(job, estimates)
  return roundFigures({
    assumptions,
    paths: shown.map((entry, i) => ({
      ...pathOf(job, found, entry, named.get(entry.mask) ?? []),
      undecided: leftOpen(found, entry.mask, open),
      onFront: front.includes(entry.mask),
      differs: i === 0 ? null : difference(found, shown[i - 1]!, entry)
    })),
    kept: Object.fromEntries(ledger.parts.map(({ fits }, i) => [fits, ledger.kept[i]!])),
    unpriced: evidence.filter((component) => !bought.has(component)),
    leftOut:
      offered.length > MOST_PARTS ? offered.map(({ fits }) => fits).filter((component) => !bought.has(component)) : []
  })
}

/** A path put together by hand, and what the evidence says against it. */
export interface OwnPath extends Omit<Path, 'onFront' | 'differs' | 'schools'> {
  /** Parts renewed only because another brings them. */
  brought: string[]
  /** Condemned parts that it keeps. */
  keepsCondemned: string[]
}

/**
 * Scores a set of renewals put together by hand: couplings are kept, as a new chain on old rails is no repair; what the
 * evidence condemns may be kept, and is named.
 * @param renew components chosen
 * @param partial does it knowingly leave out what a repair would bring with them?
 * @throws RangeError for a sheet without parts
 */
export function ownPath(unpriced: JobFile, estimates: Estimates, renew: readonly string[], partial = false): OwnPath {
  if (!unpriced.drive.parts?.length) throw new RangeError('own path: expected a sheet with parts and prices')
  const job = priceJob(unpriced)
  const ledger = ledgerOf(job, estimates, assumptionsOf(job), coupledTo(contextOf(job, estimates)))
  const chosen = maskOf(ledger, renew)
  const mask = partial ? chosen : closeOver(ledger, chosen)
  const score = scorer(ledger)
  const { schools: _schools, ...path } = pathOf(job, { ledger }, { mask, cost: score(mask) }, [])
  const condemned = makeCalls({ ...job, school: 'on-evidence' }, estimates)
    .filter(({ reasons }) => reasons.some(({ call }) => call === 'renew'))
    .map(({ part }) => part)
  return roundFigures({
    ...path,
    undecided: leftOpen({ ledger, score }, mask, undecidedIn(job, estimates)),
    brought: ledger.parts.filter((_, i) => mask & ~chosen & (1 << i)).map(({ fits }) => fits),
    keepsCondemned: condemned.filter(
      (part) => ledger.parts.some(({ fits }) => fits === part) && !path.renew.includes(part)
    )
  })
}

/** Parts that the evidence neither passes nor condemns. */
function undecidedIn(job: JobFile, estimates: Estimates): string[] {
  return makeCalls({ ...job, school: 'on-evidence' }, estimates)
    .filter(({ call }) => call === 'look-closer')
    .map(({ part }) => part)
}

/** Of the undecided parts those that a set keeps, and its price with all of them renewed. */
function leftOpen(
  { ledger, score }: Pick<Cheapest, 'ledger' | 'score'>,
  mask: number,
  open: readonly string[]
): Path['undecided'] {
  const kept = maskOf(ledger, open) & ~mask
  return {
    parts: ledger.parts.filter((_, i) => kept & (1 << i)).map(({ fits }) => fits),
    atMost: score(closeOver(ledger, mask | kept)).now
  }
}

interface Scored {
  mask: number
  cost: Cost
}

/** Odds of coming back: a dearer path that brings them down by less is no choice worth showing. */
const WORTH = 0.005

/** Sets that no other beats in both price now and odds of coming back, the cheapest first. */
function frontOf({ sets, score }: Cheapest): number[] {
  const scored = sets
    .map((mask) => ({ mask, cost: score(mask) }))
    .sort((a, b) => a.cost.now - b.cost.now || a.cost.comeBack - b.cost.comeBack)
  const front: number[] = []
  let least = Infinity
  for (const { mask, cost } of scored) {
    if (cost.comeBack > least - WORTH) continue
    least = cost.comeBack
    front.push(mask)
  }
  return front
}

function pathOf(
  job: JobFile,
  { ledger }: Pick<Cheapest, 'ledger'>,
  { mask, cost: { way, ...cost } }: Scored,
  schools: School[]
): Omit<Path, 'onFront' | 'differs' | 'undecided'> {
  const wayIn = ledger.ways[way]!.way
  const parts = ledger.parts.filter((_, i) => mask & (1 << i))
  const operations = accessTo(
    job.drive.operations ?? [],
    parts.flatMap((part) => needsOf(part, wayIn))
  )
  const items = new Set([
    ...operations.flatMap(({ brings }) => brings ?? []),
    ...parts.flatMap(({ brings }) => brings ?? [])
  ])
  return {
    schools,
    renew: parts.map(({ fits }) => fits),
    cost,
    way: wayIn?.id ?? null,
    operations: operations.map(({ id }) => id),
    items: (job.drive.alwaysRenewed ?? [])
      .filter(({ id }) => items.has(id))
      .map(({ id, quantity = 1 }) => ({ id, quantity }))
  }
}

/** What one path renews more or less than the one before it, and what that changes. */
function difference({ ledger }: Cheapest, before: Scored, after: Scored): PathDifference {
  const list = (mask: number) => ledger.parts.filter((_, i) => mask & (1 << i)).map(({ fits }) => fits)
  return {
    more: list(after.mask & ~before.mask),
    less: list(before.mask & ~after.mask),
    hours: after.cost.hours - before.cost.hours,
    comeBack: { from: before.cost.comeBack, to: after.cost.comeBack }
  }
}
