import { QueryTypes, type Transaction } from 'sequelize'
import { bound } from '../columns'

/** Rows that a statement gives: columns as PostgreSQL's client gives them, so bigints as text. */
export async function select<T extends object>(
  statement: string,
  bind: readonly unknown[],
  transaction?: Transaction
): Promise<T[]> {
  return bound().query<T>(statement, {
    bind: [...bind],
    type: QueryTypes.SELECT,
    ...(transaction ? { transaction } : {})
  })
}

/** The one row that a statement always gives. */
export async function selectOne<T extends object>(
  statement: string,
  bind: readonly unknown[],
  transaction?: Transaction
): Promise<T> {
  const [row] = await select<T>(statement, bind, transaction)
  if (!row) throw new Error('expected a row')
  return row
}

/** A statement that gives nothing. */
export async function run(statement: string, bind: readonly unknown[], transaction?: Transaction): Promise<void> {
  await bound().query(statement, { bind: [...bind], ...(transaction ? { transaction } : {}) })
}
