import { namedBy } from './partOf'
import type { Unread } from './types'

/** What tells a finding from another of its kind on the same part. */
const DETAILS = ['finding', 'bank', 'sensor', 'cylinder', 'where'] as const

/** Do two readings read the same thing on the same part? A length over another number of links does too. */
export function isSameThing(a: Unread, b: Unread): boolean {
  if (a.kind !== b.kind || namedBy(a).join('\n') !== namedBy(b).join('\n')) return false
  return DETAILS.every((field) => a[field] === b[field])
}
