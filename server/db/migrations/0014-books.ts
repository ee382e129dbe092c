import { DataTypes, literal } from 'sequelize'
import type { Migration } from './types'

/**
 * The workshop's books: customers, what a vehicle is known by and whose it is, and what was done on it before there was
 * a job here, typed or taken in from older records as one intake.
 */
export const books: Migration = {
  name: '0014-books',
  async up({ schema, transaction }) {
    const run = (statement: string) => schema.sequelize.query(statement, { transaction })
    const uuid = { type: DataTypes.UUID, primaryKey: true }
    const text = { type: DataTypes.TEXT, allowNull: false }
    const words = { ...text, defaultValue: '' }
    const now = { type: DataTypes.DATE, allowNull: false, defaultValue: literal('now()') }
    const later = { type: DataTypes.DATE, allowNull: true }
    const of = (model: string, onDelete: string, allowNull = true) => ({
      type: DataTypes.UUID,
      allowNull,
      references: { model, key: 'id' },
      onDelete
    })
    const create = (name: string, columns: Parameters<typeof schema.createTable>[1]) =>
      schema.createTable(name, columns, { transaction })
    await create('intakes', {
      id: uuid,
      name: text,
      made_by: text,
      made_at: now,
      counts: { type: DataTypes.JSON, allowNull: false },
      undone_at: later
    })
    await create('customers', {
      id: uuid,
      name: text,
      phone: words,
      email: words,
      address: words,
      note: words,
      intake_id: of('intakes', 'SET NULL'),
      made_at: now,
      removed_at: later
    })
    await run(`alter table customers add column found text generated always as (
      lower(name || ' ' || phone || ' ' || email || ' ' || address) || ' ' || ${squeezed('phone')}) stored`)
    await run('create index customers_found on customers using gin (found gin_trgm_ops)')
    await run('create index customers_name on customers (lower(name))')
    await run(`alter table vehicles
      add column registration text not null default '',
      add column chassis text not null default '',
      add column model text not null default '',
      add column sheet_id text,
      add column customer_id uuid references customers (id) on delete set null,
      add column intake_id uuid references intakes (id) on delete set null,
      add column removed_at timestamptz`)
    await run(`alter table vehicles add column found text generated always as (
      lower(name || ' ' || registration || ' ' || chassis || ' ' || model) || ' ' || ${squeezed("registration || ' ' || chassis")}) stored`)
    await run('drop index vehicles_words')
    await run('create index vehicles_found on vehicles using gin (found gin_trgm_ops)')
    await schema.addIndex('vehicles', ['customer_id'], { transaction })
    await schema.addColumn('jobs', 'customer_id', of('customers', 'SET NULL'), { transaction })
    await schema.addIndex('jobs', ['customer_id'], { transaction })
    await create('past_jobs', {
      id: uuid,
      vehicle_id: of('vehicles', 'CASCADE', false),
      done_on: { type: DataTypes.TEXT, allowNull: false },
      usage: { type: DataTypes.JSON, allowNull: true },
      sheet_id: { type: DataTypes.TEXT, allowNull: true },
      work: words,
      done_by: words,
      renewed: { type: DataTypes.JSON, allowNull: false },
      elongation: { type: DataTypes.DOUBLE, allowNull: true },
      kept_by: text,
      intake_id: of('intakes', 'SET NULL'),
      made_at: now,
      removed_at: later
    })
    await schema.addIndex('past_jobs', ['vehicle_id'], { transaction })
    for (const table of ['customers', 'vehicles', 'past_jobs'])
      await schema.addIndex(table, ['intake_id'], { transaction })
  },
  async down({ schema, transaction }) {
    const run = (statement: string) => schema.sequelize.query(statement, { transaction })
    await schema.dropTable('past_jobs', { transaction })
    await schema.removeColumn('jobs', 'customer_id', { transaction })
    await run('drop index vehicles_found')
    await run(`alter table vehicles drop column found, drop column registration, drop column chassis, drop column model,
      drop column sheet_id, drop column customer_id, drop column intake_id, drop column removed_at`)
    await run('create index vehicles_words on vehicles using gin (lower(name) gin_trgm_ops)')
    for (const table of ['customers', 'intakes']) await schema.dropTable(table, { transaction })
  }
}

/** What is typed without the gaps and dashes that it is written with. */
const squeezed = (of: string) => `regexp_replace(lower(${of}), '[^[:alnum:]]', '', 'g')`
