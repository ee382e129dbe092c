import type { RecordSays } from '../../core/record'
import { type Catalogue, sayer } from '../say'
import { KIND_NAMES } from './parts'
import { t, midSentence } from '../spoken'

/** What is wrong with acts and job files. In a file of its own: the bench says no other faults. */
export const RECORD_FAULTS: Catalogue<RecordSays> = {
  'no-part': (f) => t`"${f.id}" is no part of this drive`,
  'no-such-reading': () => t`there is no such reading on this job`,
  'correction-of-other': () => t`a correction must be of the same kind and part as the reading it supersedes`,
  'no-such-act': () => t`there is no such act on this job`,
  'an-act': () => t`expected an act`,
  'readings-edited': () =>
    t`are not what the acts of this file come to: it was edited. Remove "acts" to take the readings as they are`,
  'sheet-edited': () => t`is not the sheet that the acts of this file moved the job to: it was edited`,
  'usage-edited': () => t`is not what the acts of this file put it to: it was edited`,
  moves: (f) => t`moves the job to another sheet, there or back, for the ${f.time}th time: no job has that many`,
  'stands-twice': () => t`stands twice in this file`,
  who: () => t`choose who is at the bench`,
  why: () => t`say why`,
  vehicle: () => t`name the vehicle`,
  'customer-name': () => t`write the name`,
  'a-customer': () => t`expected a customer`,
  'a-vehicle': () => t`expected a vehicle`,
  'a-past-job': () => t`expected what was done`,
  'a-job': () => t`expected a job`,
  'a-workshop': () => t`expected what stands for a workshop`,
  'mail-host': () => t`write the mail server’s name or number, such as smtp.example.org`,
  'workshop-name': () => t`write the workshop's name`,
  currency: () => t`expected the three letters of a currency, such as EUR`,
  'time-zone': () => t`expected the name of a time zone, such as Europe/Lisbon`,
  'no-place-for-reading': (f) =>
    t`has no place for the ${f.kind === 'condition' ? t`finding` : midSentence(KIND_NAMES[f.kind])} of act ${f.act}: take that back first`,
  'no-place-for-part': (f) => t`has no place for what is kept of "${f.part}": take that back first`
}

export const sayRecordFault = sayer(RECORD_FAULTS)
