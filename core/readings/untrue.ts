import { messagesOf } from '../check'
import type { NumericKind } from './types'

/** Why a reading cannot be true of its drive. */
export interface UntrueSays {
  'method-unknown': { method: string; methods: readonly string[] }
  'below-0': { kind: NumericKind; unit: string }
  'out-of-range': { least: number; greatest: number; unit: string }
  'gap-beyond-free': { gap: number; free: number }
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

export const sayUntrue = messagesOf<UntrueSays>()
