import type { Transaction } from 'sequelize'
import { run } from './select'

/** Until the transaction ends nobody else changes this setting. */
export async function lockSetting(key: string, transaction: Transaction): Promise<void> {
  await run('select pg_advisory_xact_lock(hashtext($1))', [`setting ${key}`], transaction)
}
