import type { NextReading } from '../estimate/types'

/** What happens to a part: goes back in, is renewed, needs another look, must not be turned or run. */
export type Call = 'back-in' | 'look-closer' | 'renew' | 'stop'

/** The limit a reason was held against, and where it comes from. */
export interface ReasonLimit {
  kind: string
  value: number
  unit: string
  source: string
}

export interface Reason {
  /** Name of the rule that gave it. */
  rule: string
  /** The call that this reason alone would make. */
  call: Call
  text: string
  /** Indices of the readings behind it. */
  readings: number[]
  limit: ReasonLimit | null
  /** The reading that would decide, where the evidence does not. */
  settle?: { kind: NextReading['kind']; target: string }
  /** On a hold (`stop`): what releases it. */
  release?: string
}

export interface PartCall {
  /** Id of the part. */
  part: string
  call: Call
  reasons: Reason[]
}

/** What one rule says of one part. */
export interface Finding extends Reason {
  part: string
}

/** Calls from the least to the most severe: the severest reason makes a part's call. */
export const SEVERITY: readonly Call[] = ['back-in', 'look-closer', 'renew', 'stop']
