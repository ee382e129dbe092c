import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import type { ModelStatic, Model, Sequelize } from 'sequelize'
import { DEMO_JOBS } from '../../demo/workshop'
import { bound } from '../../server/db/columns'
import { connect } from '../../server/db/connection'
import { alone, migrate } from '../../server/db/migrate'
import * as models from '../../server/db/models'
import { countActs } from '../../server/db/queries/acts'
import { personNamed } from '../../server/db/queries/people'
import { select, selectOne } from '../../server/db/queries/select'
import { vehicleNamed } from '../../server/db/queries/vehicles'
import { createJob } from '../../server/db/rows'
import { freshDatabase } from './database'

/** Columns that the database makes of others, for searching and sorting. */
const MADE: Readonly<Record<string, readonly string[]>> = {
  jobs: ['words', 'check_date', 'sheet_id'],
  customers: ['found'],
  vehicles: ['found', 'seen_at']
}
const tables = Object.entries(models) as [string, ModelStatic<Model>][]
let database: Awaited<ReturnType<typeof freshDatabase>>
let db: Sequelize

beforeAll(async () => {
  database = await freshDatabase(inject('databaseUrl'))
  db = connect(database.url)
  await alone(db, (transaction) => migrate(db, transaction))
})
afterAll(async () => {
  await db.close()
  await database.drop()
})

describe('the models', () => {
  it.each(tables)('%s has the columns of its table, and no other', async (_name, Table) => {
    const table = Table.getTableName() as string
    const kept = await select<{ column_name: string; is_nullable: string }>(
      "select column_name, is_nullable from information_schema.columns where table_schema = 'public' and table_name = $1",
      [table]
    )
    const known = Object.values(Table.getAttributes()).map(({ field, allowNull, primaryKey }) => ({
      name: field!,
      nullable: !primaryKey && allowNull === true
    }))
    const mine = kept.filter(({ column_name: name }) => !MADE[table]?.includes(name))
    expect(known.map(({ name }) => name).sort()).toEqual(mine.map(({ column_name: name }) => name).sort())
    // What may be null in the table says so in its type.
    const nullable = new Set(kept.filter((column) => column.is_nullable === 'YES').map((column) => column.column_name))
    expect(known.filter(({ name, nullable: said }) => nullable.has(name) && !said)).toEqual([])
  })

  it('are bound to the connection that was made last', () => expect(bound()).toBe(db))
})

describe('what comes back', () => {
  it('is a bigint as text, and the number that it counts', async () => {
    const [{ id, job, acts }] = DEMO_JOBS as unknown as [(typeof DEMO_JOBS)[number]]
    await db.transaction((transaction) => createJob(id, job, acts, { demo: false, transaction }))
    const row = await models.ActRow.findOne({ where: { jobId: id }, order: [['seq', 'DESC']] })
    expect(row!.seq).toEqual(expect.any(String))
    expect(await countActs(id)).toEqual({ acts: acts.length, last: Number(row!.seq) })
    expect(await countActs('00000000-0000-4000-8000-000000000000')).toEqual({ acts: 0, last: 0 })
  })

  it('is one person and one vehicle, however they are spelt', async () => {
    expect(await personNamed('Ylva')).toBe('Ylva')
    expect(await personNamed('YLVA')).toBe('Ylva')
    const ids = await db.transaction(async (transaction) => [
      await vehicleNamed('Dredger Plover', transaction),
      await vehicleNamed('dredger plover', transaction)
    ])
    expect(ids[0]).toBe(ids[1])
  })

  it('is told where there should have been a row and was none', async () => {
    await expect(selectOne('select 1 as one where false', [])).rejects.toThrow('expected a row')
  })
})
