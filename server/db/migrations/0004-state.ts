import { DataTypes } from 'sequelize'
import type { Migration } from './types'

/** Where a job has gone, beside the acts that say so, so that a board of ten thousand jobs need not read them all. */
export const state: Migration = {
  name: '0004-state',
  async up({ schema, transaction }) {
    await schema.addColumn(
      'jobs',
      'state',
      { type: DataTypes.TEXT, allowNull: false, defaultValue: 'open' },
      { transaction }
    )
    await schema.addIndex('jobs', ['state', 'opened_at', 'id'], { transaction })
  },
  async down({ schema, transaction }) {
    await schema.removeIndex('jobs', ['state', 'opened_at', 'id'], { transaction })
    await schema.removeColumn('jobs', 'state', { transaction })
  }
}
