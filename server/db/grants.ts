import type { Sequelize, Transaction } from 'sequelize'

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
