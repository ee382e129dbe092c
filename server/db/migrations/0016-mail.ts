import { DataTypes } from 'sequelize'
import type { Migration } from './types'

/** To whom a report's link was sent by e-mail. */
export const mail: Migration = {
  name: '0016-mail',
  async up({ schema, transaction }) {
    const list = { type: DataTypes.JSON, allowNull: false, defaultValue: [] }
    await schema.addColumn('shares', 'mailed', list, { transaction })
  },
  async down({ schema, transaction }) {
    await schema.removeColumn('shares', 'mailed', { transaction })
  }
}
