import { DataTypes, literal } from 'sequelize'
import type { Migration } from './types'

/** What people sign in with on devices of their own, beside a passphrase: passkeys, and the challenges out for them. */
export const passkeys: Migration = {
  name: '0013-passkeys',
  async up({ schema, transaction }) {
    const text = { type: DataTypes.TEXT, allowNull: false }
    const time = { type: DataTypes.DATE, allowNull: false }
    const now = { ...time, defaultValue: literal('now()') }
    const person = {
      type: DataTypes.INTEGER,
      references: { model: 'people', key: 'id' },
      onDelete: 'CASCADE'
    }
    await schema.createTable(
      'passkeys',
      {
        id: { type: DataTypes.TEXT, primaryKey: true },
        person_id: { ...person, allowNull: false },
        name: text,
        public_key: text,
        counter: text,
        made_at: now,
        seen_at: { ...time, allowNull: true },
        removed_at: { ...time, allowNull: true }
      },
      { transaction }
    )
    await schema.addIndex('passkeys', ['person_id'], { transaction })
    await schema.createTable(
      'challenges',
      {
        hash: { type: DataTypes.TEXT, primaryKey: true },
        person_id: { ...person, allowNull: true },
        ends_at: time
      },
      { transaction }
    )
  },
  async down({ schema, transaction }) {
    for (const name of ['challenges', 'passkeys']) await schema.dropTable(name, { transaction })
  }
}
