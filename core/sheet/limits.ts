import { compileSheet } from './compile'
import type { DriveSheet, LimitKind, LimitValue } from './types'

/**
 * The limit of a kind that holds for a part: its own, else the one without a target (which holds for every cam); null
 * when the sheet has none.
 */
export function limitFor(sheet: DriveSheet, kind: LimitKind, part: string): LimitValue | null {
  return compileSheet(sheet).limit(kind, part)
}
