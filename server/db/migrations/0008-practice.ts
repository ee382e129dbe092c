import { DataTypes, literal } from 'sequelize'
import type { Migration } from './types'

/** Cases that the workshop keeps for practice, and what people made of the cases they finished. */
export const practice: Migration = {
  name: '0008-practice',
  async up({ schema, transaction }) {
    const text = { type: DataTypes.TEXT, allowNull: false }
    const json = { type: DataTypes.JSON, allowNull: false }
    const whole = { type: DataTypes.INTEGER, allowNull: false }
    const now = { type: DataTypes.DATE, allowNull: false, defaultValue: literal('now()') }
    const uuid = { type: DataTypes.UUID, primaryKey: true }
    await schema.createTable(
      'practice_cases',
      {
        id: uuid,
        title: text,
        body: json,
        created_by: text,
        removed: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
        created_at: now
      },
      { transaction }
    )
    await schema.createTable(
      'practice_runs',
      {
        id: uuid,
        by: text,
        case_key: text,
        title: text,
        level: whole,
        score: whole,
        moves: json,
        debriefing: json,
        finished_at: now
      },
      { transaction }
    )
    await schema.addIndex('practice_runs', ['by', 'finished_at'], { transaction })
  },
  async down({ schema, transaction }) {
    await schema.dropTable('practice_runs', { transaction })
    await schema.dropTable('practice_cases', { transaction })
  }
}
