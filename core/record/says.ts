import { faultsOf, messagesOf } from '../check'
import type { ReadingKind } from '../readings'

/** What is wrong with acts and with job files, by code. */
export interface RecordSays {
  'no-part': { id: string }
  'no-such-reading': {}
  'correction-of-other': {}
  'no-such-act': {}
  'an-act': {}
  'readings-edited': {}
  'sheet-edited': {}
  'usage-edited': {}
  moves: { time: number }
  'stands-twice': {}
  who: {}
  why: {}
  vehicle: {}
  'customer-name': {}
  'a-customer': {}
  'a-vehicle': {}
  'a-past-job': {}
  'a-job': {}
  'a-workshop': {}
  'workshop-name': {}
  'mail-host': {}
  'time-zone': {}
  currency: {}
  'no-place-for-reading': { kind: ReadingKind; act: string }
  'no-place-for-part': { part: string }
}

export const say = messagesOf<RecordSays>()
export const faultAt = faultsOf<RecordSays>()
