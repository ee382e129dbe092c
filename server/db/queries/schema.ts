import type { Sequelize, Transaction } from 'sequelize'
import { QueryTypes } from 'sequelize'

/** Any number, the same for every server of this application on a database. */
const LOCK = 7_246_018

/** Until the transaction ends no other server works on the schema. */
export async function lockSchema(owner: Sequelize, transaction: Transaction): Promise<void> {
  await owner.query('select pg_advisory_xact_lock($1)', { bind: [LOCK], transaction })
}

/** The list of migrations that were made; made itself where there is none. */
export async function migrationsMade(owner: Sequelize, transaction: Transaction): Promise<string[]> {
  await owner.query('create table if not exists migrations (name text primary key)', { transaction })
  const rows = await owner.query<{ name: string }>('select name from migrations order by name', {
    type: QueryTypes.SELECT,
    transaction
  })
  return rows.map(({ name }) => name)
}

export async function noteMigration(owner: Sequelize, name: string, transaction: Transaction): Promise<void> {
  await owner.query('insert into migrations (name) values ($1)', { bind: [name], transaction })
}

export async function forgetMigration(owner: Sequelize, name: string, transaction: Transaction): Promise<void> {
  await owner.query('delete from migrations where name = $1', { bind: [name], transaction })
}

/** Gives this fill of the database a name of its own: what was remembered of the one before no longer holds. */
export async function renameFill(owner: Sequelize, transaction: Transaction): Promise<void> {
  const statement = "update settings set value = to_json(gen_random_uuid()::text) where key = 'generation'"
  await owner.query(statement, { transaction })
}

/**
 * Lets the application's role use every table, and change none: it reads and writes rows, and runs what was made for
 * it.
 */
export async function grantUse(owner: Sequelize, role: string, transaction: Transaction): Promise<void> {
  const name = `"${role.replaceAll('"', '""')}"`
  for (const statement of [
    `grant usage on schema public to ${name}`,
    `grant select, insert, update, delete on all tables in schema public to ${name}`,
    `grant usage, select on all sequences in schema public to ${name}`,
    `grant execute on all functions in schema public to ${name}`,
    `revoke insert, update, delete on migrations from ${name}`
  ])
    await owner.query(statement, { transaction })
}
