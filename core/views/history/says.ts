import { messagesOf } from '../../check'

/** Why a row of older records is not taken, or what is worth knowing of it, by code. */
export interface HistorySays {
  'more-cells': { cells: number; columns: number }
  'customer-without-name': {}
  'vehicle-without-name': {}
  'job-without-vehicle': {}
  'day-missing': {}
  'no-day': { text: string }
  'day-in-future': { day: string }
  'no-number': { text: string }
  'no-engine': { text: string }
  'plates-differ': { name: string }
  'twice-in-file': {}
  'known-already': {}
  /** Worth knowing: it is taken all the same. */
  'no-part': { text: string }
}

export const say = messagesOf<HistorySays>()
