import { DataTypes, literal } from 'sequelize'
import type { Migration } from './types'

/**
 * Vehicles that jobs are on; revisions of drive sheets; and what the board shows of a job, kept beside its acts and
 * made anew when it is stale, so that a list need not assess what it shows.
 */
export const vehicles: Migration = {
  name: '0005-vehicles',
  async up({ schema, transaction }) {
    const text = { type: DataTypes.TEXT, allowNull: false }
    const json = { type: DataTypes.JSON, allowNull: false }
    const now = () => ({ type: DataTypes.DATE, allowNull: false, defaultValue: literal('now()') })
    const whole = (value: number) => ({ type: DataTypes.INTEGER, allowNull: false, defaultValue: value })
    const run = (statement: string) => schema.sequelize.query(statement, { transaction })

    await schema.createTable(
      'vehicles',
      {
        id: { type: DataTypes.UUID, primaryKey: true },
        name: text,
        note: { ...text, defaultValue: '' },
        created_at: now()
      },
      { transaction }
    )
    await run('create unique index vehicles_name on vehicles (lower(name))')
    await schema.addColumn(
      'jobs',
      'vehicle_id',
      { type: DataTypes.UUID, allowNull: true, references: { model: 'vehicles', key: 'id' }, onDelete: 'SET NULL' },
      { transaction }
    )
    await run(
      'insert into vehicles (id, name) select gen_random_uuid(), min(vehicle) from jobs group by lower(vehicle)'
    )
    await run('update jobs set vehicle_id = vehicles.id from vehicles where lower(vehicles.name) = lower(jobs.vehicle)')
    await schema.addIndex('jobs', ['vehicle_id'], { transaction })

    await schema.createTable(
      'sheet_revisions',
      {
        sheet_id: {
          type: DataTypes.TEXT,
          primaryKey: true,
          references: { model: 'sheets', key: 'id' },
          onDelete: 'CASCADE'
        },
        revision: { type: DataTypes.INTEGER, primaryKey: true },
        body: json,
        saved_by: text,
        note: { ...text, defaultValue: '' },
        saved_at: now()
      },
      { transaction }
    )
    await schema.addColumn('sheets', 'revision', whole(1), { transaction })
    await schema.addColumn(
      'sheets',
      'removed',
      { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
      { transaction }
    )
    await run(
      "insert into sheet_revisions (sheet_id, revision, body, saved_by) select id, 1, body, 'Umbrette' from sheets"
    )
    await schema.addColumn('jobs', 'sheet_revision', { type: DataTypes.INTEGER, allowNull: true }, { transaction })
    await schema.addColumn('jobs', 'sheet_moves', whole(0), { transaction })

    await schema.addColumn('jobs', 'summary', { type: DataTypes.JSON, allowNull: true }, { transaction })
    await schema.addColumn('jobs', 'summary_core', { type: DataTypes.TEXT, allowNull: true }, { transaction })
    await schema.addColumn(
      'jobs',
      'stale',
      { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: true },
      { transaction }
    )
    await schema.addColumn(
      'jobs',
      'held',
      { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
      { transaction }
    )
    await run("alter table jobs add column sheet_id text generated always as (sheet ->> 'id') stored")
    await schema.addIndex('jobs', ['sheet_id'], { transaction })
    await run('create index jobs_stale on jobs (state) where stale')
    await run('create index jobs_board on jobs (state, held desc, opened_at desc, id)')
    // A word anywhere in what a job is known by is found by its three-letter pieces.
    await run('create extension if not exists pg_trgm')
    await run(
      "alter table jobs add column words text generated always as (lower(vehicle || ' ' || stand || ' ' || complaint || ' ' || (sheet ->> 'name'))) stored"
    )
    await run('create index jobs_words on jobs using gin (words gin_trgm_ops)')
    await run('create index vehicles_words on vehicles using gin (lower(name) gin_trgm_ops)')
  },
  async down({ schema, transaction }) {
    for (const column of [
      'words',
      'sheet_id',
      'held',
      'stale',
      'summary_core',
      'summary',
      'sheet_moves',
      'sheet_revision',
      'vehicle_id'
    ])
      await schema.removeColumn('jobs', column, { transaction })
    for (const column of ['removed', 'revision']) await schema.removeColumn('sheets', column, { transaction })
    for (const table of ['sheet_revisions', 'vehicles']) await schema.dropTable(table, { transaction })
  }
}
