import { DataTypes, literal } from 'sequelize'
import { keepActWith } from './0010-unharmed'
import type { Migration } from './types'

/**
 * Who may come in: what people may do and sign in with, devices that were paired, sessions, tries that were counted,
 * and who was signed in when an act was kept. Who worked here before may what a mechanic may, until an owner says
 * otherwise.
 */
export const doors: Migration = {
  name: '0012-doors',
  async up({ schema, transaction }) {
    const run = (statement: string) => schema.sequelize.query(statement, { transaction })
    const uuid = { type: DataTypes.UUID, primaryKey: true }
    const text = { type: DataTypes.TEXT, allowNull: false }
    const time = { type: DataTypes.DATE, allowNull: false }
    const now = { ...time, defaultValue: literal('now()') }
    const later = { type: DataTypes.DATE, allowNull: true }
    const person = { type: DataTypes.INTEGER, references: { model: 'people', key: 'id' } }
    const create = (name: string, columns: Parameters<typeof schema.createTable>[1]) =>
      schema.createTable(name, columns, { transaction })
    await run(`alter table people
      add column role text not null default 'mechanic',
      add column former json not null default '[]',
      add column passphrase text,
      add column pin text,
      add column seal text not null default replace(gen_random_uuid()::text || gen_random_uuid()::text, '-', ''),
      add column retired_at timestamptz`)
    await create('devices', {
      id: uuid,
      name: text,
      token_hash: { ...text, unique: true },
      paired_by: text,
      paired_at: now,
      seen_at: now,
      removed_at: later
    })
    await create('pairings', {
      code_hash: { type: DataTypes.TEXT, primaryKey: true },
      name: text,
      made_by: text,
      ends_at: time
    })
    await create('sessions', {
      id: uuid,
      token_hash: { ...text, unique: true },
      person_id: { ...person, allowNull: false, onDelete: 'CASCADE' },
      device_id: {
        type: DataTypes.UUID,
        allowNull: true,
        references: { model: 'devices', key: 'id' },
        onDelete: 'CASCADE'
      },
      browser: text,
      made_at: now,
      seen_at: now,
      ends_at: time
    })
    await schema.addIndex('sessions', ['person_id'], { transaction })
    await create('tries', {
      key: { type: DataTypes.TEXT, primaryKey: true },
      failed: { type: DataTypes.INTEGER, allowNull: false },
      next_at: time
    })
    await create('benches', {
      job_id: { ...uuid, references: { model: 'jobs', key: 'id' }, onDelete: 'CASCADE' },
      part: text,
      at: now
    })
    await run('alter table acts add column person_id integer references people (id) on delete set null')
    await run('drop function keep_act')
    // Who was signed in is kept beside the act.
    await run(keepActWith({ name: 'person', type: 'integer', column: 'person_id' }))
  },
  async down({ schema, transaction }) {
    const run = (statement: string) => schema.sequelize.query(statement, { transaction })
    await run('drop function keep_act')
    await run('alter table acts drop column person_id')
    for (const table of ['benches', 'tries', 'sessions', 'pairings', 'devices'])
      await schema.dropTable(table, { transaction })
    await run(`alter table people
      drop column role, drop column former, drop column passphrase, drop column pin, drop column seal,
      drop column retired_at`)
    await run(keepActWith())
  }
}
