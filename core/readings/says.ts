import { faultsOf, messagesOf } from '../check'
import type { NumericKind } from './types'

/** What is wrong with readings and with what a job file says of its engine, by code. */
export interface ReadingSays {
  'a-reading': {}
  'figure-missing': {}
  'no-part-of-kind': { id: string; field: string }
  'no-target': { id: string }
  'no-finding': { finding: string; kind: string; expected: readonly string[] }
  'pieces-missing': {}
  'no-chain-of-drive': { id: string }
  'no-sprocket-of-chain': { id: string; chain: string }
  'another-sprocket': {}
  'wear-points': {}
  'odds-by-id': {}
  'prices-by-id': {}
  'hours-by-id': {}
}

/** Why a reading cannot be true of its drive. */
export interface UntrueSays {
  'method-unknown': { method: string; methods: readonly string[] }
  'below-0': { kind: NumericKind; unit: string }
  'out-of-range': { least: number; greatest: number; unit: string }
  'no-ratchet': {}
  'notches-at-most': { stroke: number; most: number }
  'extension-below-0': {}
  'beyond-stroke': { value: number; stroke: number }
  'whole-links': {}
  'no-counts': {}
  'count-off': { value: number; expected: number }
  'links-of-chain': { links: number }
  'length-unfit': { value: number; links: number; asNew: number }
}

export const say = messagesOf<ReadingSays>()
export const faultAt = faultsOf<ReadingSays>()
export const sayUntrue = messagesOf<UntrueSays>()
