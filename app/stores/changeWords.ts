import { namesOf, sayChange } from '../../words/en'
import type { Assessment } from '../../core/paths'
import type { Act } from '../../core/record'
import type { DriveSheet } from '../../core/sheet'
import { explainChange } from '../../core/views/verdict'

/** How acts moved the estimate, in words. */
export function changeWords(sheet: DriveSheet, acts: readonly Act[], before: Assessment, after: Assessment): string {
  return sayChange(explainChange(sheet, acts, before, after), namesOf(sheet), sheet.chains.length > 1)
}
