import { QueryTypes, type Transaction } from 'sequelize'
import { JobRow } from '../models'

/** Rows that a statement gives: columns as PostgreSQL's client gives them, so bigints as text. */
export async function select<T extends object>(
  statement: string,
  bind: readonly unknown[],
  transaction?: Transaction
): Promise<T[]> {
  return JobRow.sequelize!.query<T>(statement, {
    bind: [...bind],
    type: QueryTypes.SELECT,
    ...(transaction ? { transaction } : {})
  })
}

/** A statement that gives nothing. */
export async function run(statement: string, bind: readonly unknown[], transaction?: Transaction): Promise<void> {
  await JobRow.sequelize!.query(statement, { bind: [...bind], ...(transaction ? { transaction } : {}) })
}
