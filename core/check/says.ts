import { faultsOf } from './fault'
import { messagesOf } from './message'

/** What the checks of outside data say, by code, with the figures of each. */
export interface CheckSays {
  email: {}
  missing: {}
  'number-between': { min: number; max: number }
  'whole-between': { min: number; max: number }
  'whole-from-0': {}
  number: {}
  'two-numbers': {}
  text: {}
  'text-at-most': { max: number }
  'broken-text': {}
  'reserved-word': {}
  id: {}
  uuid: {}
  flag: {}
  'one-of': { words: readonly string[] }
  day: { from: number; to: number }
  moment: { from: number; to: number }
  list: {}
  'list-at-most': { max: number }
  object: {}
  null: {}
  'ids-at-most': { max: number }
  'numbers-by-id': { min: number; max: number }
  'values-by-id': {}
  version: { expected: number }
  'version-newer': { found: number; expected: number }
  'too-deep': {}
  'too-much': {}
  'field-name': {}
  'unknown-field': {}
}

export const say = messagesOf<CheckSays>()
export const faultAt = faultsOf<CheckSays>()
