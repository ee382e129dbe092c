import { DataTypes, literal } from 'sequelize'
import type { Migration } from './types'

/**
 * What is erased for good: the ledger of when and by whom, and figures of wear that stay without a person. A practice
 * case knows the job that it was told from.
 */
export const erasing: Migration = {
  name: '0015-erasing',
  async up({ schema, transaction }) {
    const uuid = { type: DataTypes.UUID, primaryKey: true }
    const text = { type: DataTypes.TEXT, allowNull: false }
    const json = { type: DataTypes.JSON, allowNull: false }
    await schema.createTable(
      'erasures',
      {
        id: uuid,
        kind: text,
        erased_by: text,
        erased_at: { type: DataTypes.DATE, allowNull: false, defaultValue: literal('now()') },
        rows: json,
        left_rows: json
      },
      { transaction }
    )
    await schema.createTable(
      'wear_figures',
      {
        id: uuid,
        sheet_id: text,
        vehicle: { type: DataTypes.UUID, allowNull: false },
        month: text,
        finished: { type: DataTypes.BOOLEAN, allowNull: false },
        summary: json,
        file: { type: DataTypes.JSON, allowNull: true }
      },
      { transaction }
    )
    await schema.addIndex('wear_figures', ['sheet_id'], { transaction })
    await schema.addColumn('practice_cases', 'job_id', { type: DataTypes.UUID, allowNull: true }, { transaction })
  },
  async down({ schema, transaction }) {
    await schema.removeColumn('practice_cases', 'job_id', { transaction })
    for (const table of ['wear_figures', 'erasures']) await schema.dropTable(table, { transaction })
  }
}
