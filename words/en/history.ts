import type { HistoryField, HistorySays, RowNote } from '../../core/views/history'
import { type Catalogue, sayer } from '../say'
import { FAULTS } from './faults'
import { USAGE_ASKED } from './pages/books'
import { t, texts } from '../spoken'

/** Older records that are taken in: what a column can be, and what stands against a row. */

export const HISTORY_FIELD_NAMES: Readonly<Record<HistoryField, string>> = texts({
  customer: 'Customer: name',
  phone: 'Customer: phone',
  email: 'Customer: e-mail',
  address: 'Customer: address',
  customerNote: 'Customer: note',
  vehicle: 'Vehicle: what it is called',
  registration: 'Vehicle: registration',
  chassis: 'Vehicle: chassis number',
  model: 'Vehicle: make and model',
  vehicleNote: 'Vehicle: note',
  engine: 'Vehicle: engine sheet',
  day: 'Job: day',
  usage: 'Job: usage',
  work: 'Job: what was done',
  doneBy: 'Job: by whom',
  renewed: 'Job: parts fitted new',
  elongation: 'Job: chain longer by, %'
})

const HISTORY_NOTES: Catalogue<HistorySays> = {
  'more-cells': (f) => t`has ${f.cells} cells where there are ${f.columns} columns: a separator too many`,
  'customer-without-name': () => t`has a phone, e-mail or address, but no name of a customer`,
  'vehicle-without-name': () => t`names no vehicle: neither what it is called nor a registration or chassis number`,
  'job-without-vehicle': () => t`is of a job, but of no vehicle`,
  'day-missing': () => t`is of a job, but of no day`,
  'no-day': (f) => t`"${f.text}" is no day`,
  'day-in-future': (f) => t`${f.day} has not been yet`,
  'no-number': (f) => t`"${f.text}" is no number that can only be read one way`,
  'no-engine': (f) => t`"${f.text}" is none of the workshop’s engines`,
  'plates-differ': (f) => t`has the registration of ${f.name}, but another chassis number`,
  'twice-in-file': () => t`stands twice in this file`,
  'known-already': () => t`is known already`,
  'no-part': (f) => t`"${f.text}" is no part of the engine: it is kept in words`
}

const sayNote = sayer({ ...FAULTS, ...USAGE_ASKED, ...HISTORY_NOTES })

/** What stands against a row, or is worth knowing of it. */
export function sayRowNote({ field, says }: RowNote): string {
  return t`${field ? t`${HISTORY_FIELD_NAMES[field]}: ` : ''}${sayNote(says)}`
}
