import { messagesOf } from '../core/check'
import type { Role } from '../core/record'

/** Why an e-mail did not go out. */
export type MailTrouble = 'away' | 'signing-in' | 'address' | 'refused'

/** What the server says to who asks, by code: that something went wrong, and what is wrong with a field. */
export interface ProblemSays {
  'a-photo-line': {}
  'a-whole-number': {}
  'whole-numbers': {}
  'a4-or-letter': {}
  'act-id-taken': {}
  'archive-in-making': {}
  'archive-not-taken': {}
  'archive-not-zip': {}
  'archive-lacks': { file: string }
  'archive-points-nowhere': {}
  'archive-file-large': { file: string }
  'archive-called-off': {}
  'after-which-place': {}
  'board-not-asked': {}
  'erase-name-differs': {}
  'job-not-deleted': {}
  'erasing-not-asked': {}
  'mail-not-asked': {}
  'mail-not-set': {}
  'mail-full': { most: number }
  'mail-not-sent': { why: MailTrouble }
  'learnt-full': { most: number }
  'learnt-here': {}
  'learnt-newer-here': {}
  'learnt-not-asked': {}
  'learnt-out-or-not': {}
  'broken-off': {}
  'case-removed-or-not': {}
  'case-title': {}
  'choice-by-link': {}
  'choose-engine': {}
  'choose-way': {}
  'choose-way-and-name': {}
  'database-away': {}
  'database-busy': {}
  'database-silent': {}
  'disk-full': {}
  'file-not-taken': {}
  'file-too-large': { megabytes: number }
  'first-name': {}
  'foreign-name': {}
  'foreign-site': {}
  internal: {}
  'job-changed-before-signing': {}
  'job-full': { most: number }
  'job-full-of-pictures': { most: number }
  'job-incomplete': {}
  'job-not-closed': {}
  'suspects-changed': {}
  'camera-sees-nothing': {}
  'no-trigger-wheels': {}
  'photo-of-which-look': {}
  'camera-of-which-part': {}
  'job-too-quick': {}
  'json-or-lines': {}
  'line-too-large': { megabytes: number }
  'link-expired': {}
  'link-full': {}
  'link-job-deleted': {}
  'link-revoked': {}
  'link-unknown': {}
  'machine-busy': {}
  'moves-not-taken': {}
  'name-vehicle': {}
  'no-assumptions': {}
  'no-suspects': {}
  'no-check-date': {}
  'no-path-of-report': {}
  'no-photo-of-job': {}
  'no-sheet-of-workshop': {}
  'no-such-case': {}
  'no-such-job': {}
  'no-such-learnt': {}
  'no-such-link': {}
  'no-such-picture': {}
  'no-such-revision': {}
  'no-such-run': {}
  'no-such-sheet': {}
  'no-such-sheet-here': {}
  'no-such-vehicle': {}
  'not-entered-here': {}
  'not-json': {}
  'not-told-as-case': {}
  'nothing-here': {}
  'picture-broken': {}
  'picture-heic': {}
  'picture-id': {}
  'picture-id-taken': {}
  'picture-not-in-report': {}
  'picture-not-kept': {}
  'picture-unknown': {}
  'run-not-taken': {}
  'send-at-most': { bytes: number }
  'sheet-changed-since': {}
  'sheet-id-taken': { id: string }
  'sheet-not-drawn': {}
  'sheet-not-kept': {}
  'sheet-removed-or-not': {}
  'sheet-saved-meanwhile': { current: number; basedOn: number }
  'sheet-unsound': {}
  'too-large-for-json': {}
  'too-many-streams': { most: number }
  'took-too-long': {}
  'unreadable-address': {}
  vehicle: {}
  'vehicle-name-taken': { name: string }
  'vehicles-not-asked': {}
  'verdict-incomplete': {}
  who: {}
  'workshop-not-empty': {}
  'who-brings-it': {}
  'who-practised': {}
  'who-practises': {}
  'who-shares': {}
  'who-tells': {}
  'workshop-incomplete': {}
  'write-first-name': {}
  'your-name': {}
  'engine-name': {}
  'limit-source': {}
  'photo-twice': { id: string }
  /** What the first of the faults says. */
  'first-fault': { said: string }
  'holds-keep-open': { holds: number }
  hold: { said: string }
  'customer-name': {}
  'customer-not-kept': {}
  'customers-not-asked': {}
  'no-such-customer': {}
  'no-such-past-job': {}
  'intake-not-asked': {}
  'intake-rows-stand-out': { rows: number }
  'intake-called-off': {}
  'no-such-intake': {}
  'table-empty': {}
  'table-too-large': { rows: number; columns: number }
  'table-unreadable': {}
  'past-job-incomplete': {}
  'past-in-future': {}
  'an-owner-stays': {}
  'device-name': {}
  'name-taken': { name: string }
  'needs-role': { role: Role }
  'no-such-device': {}
  'no-such-passkey': {}
  'no-such-person': {}
  'no-such-session': {}
  'nobody-signs-in': {}
  'not-your-name': { name: string }
  'open-part': {}
  'open-here-alone': {}
  'passkey-needs-name': {}
  'passkey-not-known': {}
  'passkey-own-device': {}
  'passkeys-enough': { most: number }
  'passphrase-length': { least: number }
  'person-not-changed': {}
  'pin-digits': {}
  'pin-on-paired-device': {}
  'pin-plain': {}
  'route-says-nothing': {}
  'secrets-not-changed': {}
  'sign-in-first': {}
  'sign-in-incomplete': {}
  'wait-seconds': { seconds: number }
  'wrong-code': {}
  'wrong-name-or-passphrase': {}
  'wrong-passphrase': {}
  'wrong-pin': {}
  'your-own-name': {}
}

/** Something that the server says. */
export const told = messagesOf<ProblemSays>()
