import type { QueryInterface, Transaction } from 'sequelize'

/** One step of the schema, with the way back. */
export interface Migration {
  name: string
  up(step: MigrationStep): Promise<void>
  down(step: MigrationStep): Promise<void>
}

export interface MigrationStep {
  schema: QueryInterface
  transaction: Transaction
}
