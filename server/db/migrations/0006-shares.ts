import { DataTypes, literal } from 'sequelize'
import type { Migration } from './types'

/** Reports handed to customers: each as it was when it was shared, behind a token of which only a hash is kept. */
export const shares: Migration = {
  name: '0006-shares',
  async up({ schema, transaction }) {
    const text = { type: DataTypes.TEXT, allowNull: false }
    const moment = { type: DataTypes.DATE, allowNull: false }
    await schema.createTable(
      'shares',
      {
        id: { type: DataTypes.UUID, primaryKey: true },
        job_id: {
          type: DataTypes.UUID,
          allowNull: false,
          references: { model: 'jobs', key: 'id' },
          onDelete: 'CASCADE'
        },
        token_hash: { ...text, unique: true },
        report: { type: DataTypes.JSON, allowNull: false },
        map: { type: DataTypes.JSON, allowNull: true },
        created_by: text,
        created_at: { ...moment, defaultValue: literal('now()') },
        expires_at: moment,
        revoked_at: { type: DataTypes.DATE, allowNull: true }
      },
      { transaction }
    )
    await schema.addIndex('shares', ['job_id'], { transaction })
  },
  async down({ schema, transaction }) {
    await schema.dropTable('shares', { transaction })
  }
}
