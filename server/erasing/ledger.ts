import { appendFileSync } from 'node:fs'
import type { ErasureRow } from '../db/models'
import { log } from '../utils/log'
import type { LedgerEntry } from './erase'

/**
 * Notes an erasing beside the database too: where that is lost and an older backup is restored, it is erased again.
 * Ids, when and by whom; nothing of what stood there.
 */
export function noteErasure({ id, kind, erasedBy, erasedAt, rows, leftRows }: ErasureRow): void {
  const file = process.env.UMBRETTE_LEDGER
  if (!file) return
  const entry: LedgerEntry = { id, kind, by: erasedBy, at: erasedAt.toISOString(), rows, left: leftRows }
  try {
    appendFileSync(file, `${JSON.stringify(entry)}\n`, { mode: 0o600 })
  } catch (error) {
    log.error({ err: error }, 'an erasing could not be noted beside the database')
  }
}
