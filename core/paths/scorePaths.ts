import type { Estimates } from '../estimate'
import type { JobFile } from '../readings'
import { type AlwaysRenewed, type DriveSheet, type Operation, partKindOf, type SparePart, type WayIn } from '../sheet'
import { accessTo, needsOf, spares } from './access'
import type { Assumptions } from './assumptions'
import { keptOdds, type KeptOdds } from './keptOdds'

/** Sets of renewals that are scored at the most: every subset of 15 parts. */
export const MOST_PARTS = 15

/** What renewals cost, worked out once. Sets are bit masks over the parts. */
export interface Costing {
  parts: SparePart[]
  /** Parts that come with each part whenever it is renewed, itself included. */
  brings: number[]
  /** What a failure of each part costs beyond being renewed. */
  damage: number[]
  ways: Way[]
  assumptions: Assumptions
}

/** All that scoring a set of renewals needs. */
export interface Ledger extends Costing {
  kept: KeptOdds[]
}

interface Way {
  way: WayIn | null
  /** Operations and always-renewed items behind each part, as bits of lists of their own. */
  operations: readonly Operation[]
  items: readonly AlwaysRenewed[]
  operationBits: bigint[]
  itemBits: bigint[]
}

/** What a set of renewals costs. */
export interface Cost {
  /** Place in `ways`. */
  way: number
  hours: number
  labour: number
  partsPrice: number
  itemsPrice: number
  now: number
  /** Odds that the cover comes off again within the horizon. */
  comeBack: number
  /** now + Σ odds × (access again + part + damage). */
  expected: number
}

/**
 * @param coupled parts that a component's renewal brings with it (a new chain: its rails and tensioner)
 */
export function ledgerOf(
  job: JobFile,
  estimates: Estimates,
  assumptions: Assumptions,
  coupled: (component: string) => readonly string[]
): Ledger {
  const costing = costingOf(job.drive, assumptions, coupled)
  return { ...costing, kept: costing.parts.map(({ fits }) => keptOdds(job, estimates, fits, assumptions)) }
}

/** What renewals on a sheet with prices cost, whatever was read. */
export function costingOf(
  drive: DriveSheet,
  assumptions: Assumptions,
  coupled: (component: string) => readonly string[]
): Costing {
  const parts = spares(drive).slice(0, MOST_PARTS)
  const bit = (component: string) => parts.findIndex(({ fits }) => fits === component)
  const brings = parts.map(({ fits }, i) =>
    coupled(fits).reduce((mask, component) => (bit(component) < 0 ? mask : mask | (1 << bit(component))), 1 << i)
  )
  return {
    parts,
    brings,
    assumptions,
    damage: parts.map(({ fits }) => assumptions.damage * assumptions.breaks[partKindOf(drive, fits) ?? 'engine']),
    ways: [null, ...(drive.waysIn ?? [])].map((way) => wayOf(drive, parts, way))
  }
}

function wayOf(sheet: DriveSheet, parts: readonly SparePart[], way: WayIn | null): Way {
  const operations = sheet.operations ?? []
  const items = sheet.alwaysRenewed ?? []
  const access = parts.map((part) => accessTo(operations, needsOf(part, way)))
  const bits = <T>(all: readonly T[], some: readonly T[]) =>
    some.reduce((mask, one) => mask | (1n << BigInt(all.indexOf(one))), 0n)
  return {
    way,
    operations,
    items,
    operationBits: access.map((list) => bits(operations, list)),
    itemBits: parts.map((part, i) => {
      const brought = new Set([...(part.brings ?? []), ...access[i]!.flatMap((o) => o.brings ?? [])])
      return bits(
        items,
        items.filter(({ id }) => brought.has(id))
      )
    })
  }
}

/** The set with everything its parts bring with them. */
export function closeOver({ brings }: Ledger, mask: number): number {
  return brings.reduce((all, bring, i) => (mask & (1 << i) ? all | bring : all), mask)
}

/**
 * Hours of each union of bits, remembered: few different unions come up however many sets there are.
 * @param sizes of each bit, in order
 */
export function unionSizes(sizes: readonly number[]): (bits: bigint) => number {
  const known = new Map<bigint, number>()
  return (bits) => {
    let sum = known.get(bits)
    if (sum === undefined) {
      sum = sizes.reduce((total, size, i) => (bits & (1n << BigInt(i)) ? total + size : total), 0)
      known.set(bits, sum)
    }
    return sum
  }
}

type CostNow = Omit<Cost, 'comeBack' | 'expected'>

/** Prices sets of renewals now, by their cheapest way in. Make it once: it remembers what sets have in common. */
function pricer({ parts, ways, assumptions }: Costing): (mask: number) => CostNow {
  const sizes = ways.map(({ operations, items }) => ({
    hours: unionSizes(operations.map((o) => o.hours)),
    items: unionSizes(items.map(({ price, quantity = 1 }) => price * quantity))
  }))
  const nowBy = (mask: number, way: number): CostNow => {
    let [operationBits, itemBits, own, partsPrice] = [0n, 0n, 0, 0]
    for (let i = 0; i < parts.length; i++) {
      if (!(mask & (1 << i))) continue
      operationBits |= ways[way]!.operationBits[i]!
      itemBits |= ways[way]!.itemBits[i]!
      own += parts[i]!.hours
      partsPrice += parts[i]!.price
    }
    const hours = sizes[way]!.hours(operationBits) + own
    const itemsPrice = sizes[way]!.items(itemBits)
    const labour = hours * assumptions.hourRate
    return { way, hours, labour, partsPrice, itemsPrice, now: labour + partsPrice + itemsPrice }
  }
  return (mask) => ways.map((_, way) => nowBy(mask, way)).reduce((a, b) => (b.now < a.now ? b : a))
}

/** What it costs when each part that was kept fails: the access again, it and what it brings, and its damage. */
export function comingBack(costing: Costing): number[] {
  const now = pricer(costing)
  return costing.parts.map((_, i) => now(costing.brings[i]!).now + costing.damage[i]!)
}

/** Scores sets of renewals one after another. */
export function scorer(ledger: Ledger): (mask: number) => Cost {
  const { parts, kept, assumptions } = ledger
  const now = pricer(ledger)
  const again = comingBack(ledger)
  return (mask) => {
    const cost = now(mask)
    let [holds, later] = [1, 0]
    for (let i = 0; i < parts.length; i++) {
      const odds = mask & (1 << i) ? assumptions.newPart : kept[i]!.odds
      holds *= 1 - odds
      later += odds * again[i]!
    }
    return { ...cost, comeBack: 1 - holds, expected: cost.now + later }
  }
}

/** Every allowed set: holds what is forced, and with each part what it brings. */
export function allowedSets(ledger: Ledger, forced: number): number[] {
  const sets: number[] = []
  for (let mask = 0; mask < 1 << ledger.parts.length; mask++) {
    if ((mask & forced) === forced && closeOver(ledger, mask) === mask) sets.push(mask)
  }
  return sets
}

/** The set of these components, as far as the sheet has parts for them. */
export function maskOf({ parts }: Ledger, components: Iterable<string>): number {
  let mask = 0
  for (const component of components) {
    const i = parts.findIndex(({ fits }) => fits === component)
    if (i >= 0) mask |= 1 << i
  }
  return mask
}
