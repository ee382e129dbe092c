import type { OwnSuspects } from './ownSchema'
import { type Bearing, BEARINGS, SUSPECTS, type SuspectId } from './table'

export const NO_OWN_SUSPECTS: OwnSuspects = { priors: [], bearings: [] }

/** The table that suspects are weighed by. */
export interface SuspectTable {
  prior: (suspect: SuspectId) => number
  bearings: readonly Bearing[]
}

/** The table as it ships. */
export const SHIPPED: SuspectTable = { prior: (suspect) => SUSPECTS[suspect].prior, bearings: BEARINGS }

const tables = new WeakMap<OwnSuspects, SuspectTable>()

/**
 * The table with what a workshop holds otherwise. A factor of its own takes the place of every one that ships for that
 * finding and suspect, whatever those depended on; 1 says that it tells nothing.
 */
export function withOwnSuspects(own: OwnSuspects): SuspectTable {
  if (own.priors.length === 0 && own.bearings.length === 0) return SHIPPED
  const table = tables.get(own) ?? makeTable(own)
  tables.set(own, table)
  return table
}

function makeTable(own: OwnSuspects): SuspectTable {
  const priors = new Map(own.priors.map(({ suspect, prior }) => [suspect, prior]))
  const key = ({ finding, suspect }: Pick<Bearing, 'finding' | 'suspect'>) => `${finding} ${suspect}`
  const theirs = new Set(own.bearings.map(key))
  return {
    prior: (suspect) => priors.get(suspect) ?? SUSPECTS[suspect].prior,
    bearings: [...BEARINGS.filter((bearing) => !theirs.has(key(bearing))), ...own.bearings]
  }
}
