import { namedBy } from './partOf'
import type { Unread } from './types'

/** Do two readings read the same thing on the same part? A length over another number of links does too. */
export function isSameThing(a: Unread, b: Unread): boolean {
  if (a.kind !== b.kind || namedBy(a).join('\n') !== namedBy(b).join('\n')) return false
  return a.finding === b.finding && a.bank === b.bank
}
