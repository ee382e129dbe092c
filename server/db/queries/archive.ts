import type { Transaction } from 'sequelize'
import { run, select } from './select'

/** Any number, the same for all that change the books as a whole: one archive taken in or one erasing at a time. */
const BOOKS = 7_246_019

/** Until the transaction ends nobody else takes a workshop in, or erases. */
export async function lockBooks(transaction: Transaction): Promise<void> {
  await run('select pg_advisory_xact_lock($1)', [BOOKS], transaction)
}

/** Ends a transaction that nobody goes on with, so that its connection comes back. */
export async function endWhenIdle(after: string, transaction: Transaction): Promise<void> {
  await select("select set_config('idle_in_transaction_session_timeout', $1, true)", [after], transaction)
}
