import { QueryTypes, type Sequelize, type Transaction } from 'sequelize'
import { Umzug } from 'umzug'
import { migrations } from './migrations'
import type { MigrationStep } from './migrations/types'

/** Any number, the same for every server of this application on a database. */
const LOCK = 7_246_018

/** Runs work in one transaction that only one server at a time can hold. */
export function alone<T>(sequelize: Sequelize, work: (transaction: Transaction) => Promise<T>): Promise<T> {
  return sequelize.transaction(async (transaction) => {
    await sequelize.query('select pg_advisory_xact_lock(:lock)', { replacements: { lock: LOCK }, transaction })
    return work(transaction)
  })
}

/** Brings the schema to the newest migration, or with `down` back to nothing. All steps stand or fall together. */
export async function migrate(
  sequelize: Sequelize,
  transaction: Transaction,
  direction: 'up' | 'down' = 'up'
): Promise<void> {
  await sequelize.query('create table if not exists migrations (name text primary key)', { transaction })
  const umzug = new Umzug<MigrationStep>({
    migrations: migrations.map(({ name, up, down }) => ({
      name,
      up: ({ context }) => up(context),
      down: ({ context }) => down(context)
    })),
    context: { schema: sequelize.getQueryInterface(), transaction },
    storage: {
      async executed() {
        const rows = await sequelize.query<{ name: string }>('select name from migrations order by name', {
          type: QueryTypes.SELECT,
          transaction
        })
        return rows.map(({ name }) => name)
      },
      async logMigration({ name }) {
        await sequelize.query('insert into migrations (name) values (:name)', { replacements: { name }, transaction })
      },
      async unlogMigration({ name }) {
        await sequelize.query('delete from migrations where name = :name', { replacements: { name }, transaction })
      }
    },
    logger: undefined
  })
  if (direction === 'up') await umzug.up()
  else await umzug.down({ to: 0 })
}
