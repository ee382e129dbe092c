import { namedBy } from './partOf'
import type { Unread } from './types'

/** What tells a finding from another of its kind on the same part. */
const DETAILS = ['finding', 'bank', 'sensor', 'cylinder', 'where'] as const

/** Do two readings read the same thing on the same part? A length over another number of links does too. */
export function isSameThing(a: Unread, b: Unread): boolean {
  if (a.kind !== b.kind || namedBy(a).join('\n') !== namedBy(b).join('\n')) return false
  return DETAILS.every((field) => a[field] === b[field])
}

/** Can one be a correction of the other? Of a finding its bank, its cylinder and the like may be what was wrong. */
export function canCorrect(old: Unread, by: Unread): boolean {
  if (isSameThing(old, by)) return true
  return old.kind === 'condition' && by.kind === 'condition' && old.target === by.target && old.finding === by.finding
}
