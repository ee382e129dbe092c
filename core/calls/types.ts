import { CALLS } from './severity'
import type { PartCall } from './schema'

export type { PartCall } from './schema'
export type Call = PartCall['call']
export type Reason = PartCall['reasons'][number]
export type ReasonLimit = NonNullable<Reason['limit']>

/** What one rule says of one part. */
export interface Finding extends Reason {
  part: string
}

/** Calls from the least to the most severe: the severest reason makes a part's call. */
export const SEVERITY: readonly Call[] = CALLS
