import type { Sequelize, Transaction } from 'sequelize'
import { Umzug } from 'umzug'
import { migrations } from './migrations'
import { forgetMigration, lockSchema, migrationsMade, noteMigration } from './queries/schema'
import type { MigrationStep } from './migrations/types'

/** Runs work in one transaction that only one server at a time can hold. */
export function alone<T>(sequelize: Sequelize, work: (transaction: Transaction) => Promise<T>): Promise<T> {
  return sequelize.transaction(async (transaction) => {
    await lockSchema(sequelize, transaction)
    return work(transaction)
  })
}

/** Brings the schema to the newest migration, or with `down` back to nothing. All steps stand or fall together. */
export async function migrate(
  sequelize: Sequelize,
  transaction: Transaction,
  direction: 'up' | 'down' = 'up'
): Promise<void> {
  const umzug = new Umzug<MigrationStep>({
    migrations: migrations.map(({ name, up, down }) => ({
      name,
      up: ({ context }) => up(context),
      down: ({ context }) => down(context)
    })),
    context: { schema: sequelize.getQueryInterface(), transaction },
    storage: {
      executed: () => migrationsMade(sequelize, transaction),
      logMigration: ({ name }) => noteMigration(sequelize, name, transaction),
      unlogMigration: ({ name }) => forgetMigration(sequelize, name, transaction)
    },
    logger: undefined
  })
  if (direction === 'up') await umzug.up()
  else await umzug.down({ to: 0 })
}
