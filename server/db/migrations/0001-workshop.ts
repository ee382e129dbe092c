import { DataTypes, literal } from 'sequelize'
import type { Migration } from './types'

/** People, drive sheets, jobs, and the acts on each job. */
export const workshop: Migration = {
  name: '0001-workshop',
  async up({ schema, transaction }) {
    const text = { type: DataTypes.TEXT, allowNull: false }
    const json = { type: DataTypes.JSON, allowNull: false }
    const now = { type: DataTypes.DATE, allowNull: false, defaultValue: literal('now()') }
    await schema.createTable(
      'people',
      { id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true }, name: { ...text, unique: true } },
      { transaction }
    )
    await schema.createTable(
      'sheets',
      { id: { type: DataTypes.TEXT, primaryKey: true }, name: text, body: json },
      { transaction }
    )
    await schema.createTable(
      'jobs',
      {
        id: { type: DataTypes.UUID, primaryKey: true },
        demo: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
        vehicle: text,
        stand: text,
        complaint: text,
        school: text,
        usage: json,
        corrections: { type: DataTypes.JSON, allowNull: true },
        sheet: json,
        opened_by: text,
        opened_at: now
      },
      { transaction }
    )
    await schema.createTable(
      'acts',
      {
        seq: { type: DataTypes.BIGINT, autoIncrement: true, unique: true },
        job_id: {
          type: DataTypes.UUID,
          primaryKey: true,
          references: { model: 'jobs', key: 'id' },
          onDelete: 'CASCADE'
        },
        id: { type: DataTypes.TEXT, primaryKey: true },
        body: json,
        received_at: now
      },
      { transaction }
    )
    await schema.addIndex('acts', ['job_id', 'seq'], { transaction })
    await schema.createTable(
      'settings',
      { key: { type: DataTypes.TEXT, primaryKey: true }, value: json },
      { transaction }
    )
  },
  async down({ schema, transaction }) {
    for (const table of ['settings', 'acts', 'jobs', 'sheets', 'people']) await schema.dropTable(table, { transaction })
  }
}
