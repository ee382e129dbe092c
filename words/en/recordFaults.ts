import type { RecordSays } from '../../core/record'
import { type Catalogue, sayer } from '../say'
import { KIND_NAMES } from './parts'

/** What is wrong with acts and job files. In a file of its own: the bench says no other faults. */
export const RECORD_FAULTS: Catalogue<RecordSays> = {
  'no-part': (f) => `"${f.id}" is no part of this drive`,
  'no-such-reading': () => 'there is no such reading on this job',
  'correction-of-other': () => 'a correction must be of the same kind and part as the reading it supersedes',
  'no-such-act': () => 'there is no such act on this job',
  'an-act': () => 'expected an act',
  'readings-edited': () =>
    'are not what the acts of this file come to: it was edited. Remove "acts" to take the readings as they are',
  'sheet-edited': () => 'is not the sheet that the acts of this file moved the job to: it was edited',
  'usage-edited': () => 'is not what the acts of this file put it to: it was edited',
  moves: (f) => `moves the job to another sheet, there or back, for the ${f.time}th time: no job has that many`,
  'stands-twice': () => 'stands twice in this file',
  who: () => 'choose who is at the bench',
  why: () => 'say why',
  vehicle: () => 'name the vehicle',
  'customer-name': () => 'write the name',
  'a-customer': () => 'expected a customer',
  'a-vehicle': () => 'expected a vehicle',
  'a-past-job': () => 'expected what was done',
  'a-job': () => 'expected a job',
  'a-workshop': () => 'expected what stands for a workshop',
  'mail-host': () => 'write the mail server’s name or number, such as smtp.example.org',
  'workshop-name': () => "write the workshop's name",
  currency: () => 'expected the three letters of a currency, such as EUR',
  'time-zone': () => 'expected the name of a time zone, such as Europe/Lisbon',
  'no-place-for-reading': (f) =>
    `has no place for the ${f.kind === 'condition' ? 'finding' : KIND_NAMES[f.kind].toLowerCase()} of act ${f.act}: take that back first`,
  'no-place-for-part': (f) => `has no place for what is kept of "${f.part}": take that back first`
}

export const sayRecordFault = sayer(RECORD_FAULTS)
