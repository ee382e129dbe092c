import { faultsOf, messagesOf } from '../check'

/** Entries of a sheet that others name. */
export type SheetEntry = 'component' | 'operation' | 'part' | 'always-renewed' | 'operation-or-component'

/** What is wrong with a sheet's own structure, and with how its entries name each other, by code. */
export interface SheetSays {
  'none-of-sheet': { id: string; what: SheetEntry }
  twice: { id: string }
  'requires-itself': { id: string }
  'path-too-short': {}
  clock: {}
  'two-teeth': {}
  'lists-of-ids': {}
  'one-step': {}
  'no-step': {}
  'too-few-sprockets': {}
  'no-chain-at-all': {}
  'a-drive-sheet': {}
}

export const say = messagesOf<SheetSays>()
export const faultAt = faultsOf<SheetSays>()
