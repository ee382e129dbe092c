import { DataTypes, literal } from 'sequelize'
import type { Migration } from './types'

/** Photos of a job, upright and of a size to look at, each with a thumbnail. */
export const photos: Migration = {
  name: '0003-photos',
  async up({ schema, transaction }) {
    const whole = () => ({ type: DataTypes.INTEGER, allowNull: false })
    const bytes = () => ({ type: DataTypes.BLOB, allowNull: false })
    await schema.createTable(
      'photos',
      {
        id: { type: DataTypes.UUID, primaryKey: true },
        job_id: {
          type: DataTypes.UUID,
          allowNull: false,
          references: { model: 'jobs', key: 'id' },
          onDelete: 'CASCADE'
        },
        width: whole(),
        height: whole(),
        body: bytes(),
        thumb: bytes(),
        received_at: { type: DataTypes.DATE, allowNull: false, defaultValue: literal('now()') }
      },
      { transaction }
    )
    await schema.addIndex('photos', ['job_id'], { transaction })
    // A picture is compressed already: kept as it is, it can be read in pieces.
    for (const column of ['body', 'thumb'])
      await schema.sequelize.query(`alter table photos alter column ${column} set storage external`, { transaction })
  },
  async down({ schema, transaction }) {
    await schema.dropTable('photos', { transaction })
  }
}
