import { DataTypes } from 'sequelize'
import type { Migration } from './types'

/** What is known of an engine beside a job's readings: parts' ages, earlier estimates, the customer's horizon. */
export const known: Migration = {
  name: '0002-known',
  async up({ schema, transaction }) {
    await schema.addColumn('jobs', 'known', { type: DataTypes.JSON, allowNull: true }, { transaction })
  },
  async down({ schema, transaction }) {
    await schema.removeColumn('jobs', 'known', { transaction })
  }
}
