import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { QueryTypes, type Sequelize } from 'sequelize'
import { DEMO_JOBS, DEMO_PEOPLE, DEMO_SHEETS } from '../../demo/workshop'
import { type Act, exportJob, importJob } from '../../core/record'
import { migrations } from '../../server/db/migrations'
import { read } from '../support/jobs'
import { readBoard } from './workshop'
import { freshDatabase } from './database'

let database: Awaited<ReturnType<typeof freshDatabase>>
let sequelize: Sequelize
let jobs: typeof import('../../server/store/jobs')
let keeping: typeof import('../../server/store/acts')
let board: typeof import('../../server/store/board')
let people: typeof import('../../server/store/people')
let migration: typeof import('../../server/db/migrate')
let connection: typeof import('../../server/db/connection')
let demo: typeof import('../../server/db/demo')

beforeAll(async () => {
  database = await freshDatabase(inject('databaseUrl'))
  process.env.DATABASE_URL = database.url
  process.env.UMBRETTE_DEMO = '1'
  process.env.UMBRETTE_LOG = 'silent'
  connection = await import('../../server/db/connection')
  jobs = await import('../../server/store/jobs')
  keeping = await import('../../server/store/acts')
  board = await import('../../server/store/board')
  people = await import('../../server/store/people')
  migration = await import('../../server/db/migrate')
  demo = await import('../../server/db/demo')
  sequelize = await connection.useDb()
})

afterAll(async () => {
  await sequelize.close()
  await database.drop()
  delete process.env.DATABASE_URL
})

const VAN = DEMO_JOBS[0]!.id
const at = '2026-11-24T08:00:00.000Z'
const took = (id: string, value: number, more = {}): Act => ({
  id,
  type: 'read',
  by: 'Maren',
  at,
  reading: read.groove('guide', value),
  ...more
})

describe('the schema', () => {
  it('goes up, all the way down, and up again', async () => {
    const other = await freshDatabase(inject('databaseUrl'))
    const db = connection.connect(other.url)
    const tables = async () =>
      (
        await db.query<{ tablename: string }>(
          "select tablename from pg_tables where schemaname = 'public' order by 1",
          { type: QueryTypes.SELECT }
        )
      ).map((t) => t.tablename)
    await migration.alone(db, (t) => migration.migrate(db, t))
    expect(await tables()).toEqual([
      'acts',
      'benches',
      'challenges',
      'customers',
      'devices',
      'erasures',
      'intakes',
      'jobs',
      'migrations',
      'pairings',
      'passkeys',
      'past_jobs',
      'people',
      'photos',
      'practice_cases',
      'practice_runs',
      'sessions',
      'settings',
      'shares',
      'sheet_revisions',
      'sheets',
      'tries',
      'vehicles',
      'wear_figures'
    ])
    await migration.alone(db, (t) => migration.migrate(db, t, 'down'))
    expect(await tables()).toEqual(['migrations'])
    await migration.alone(db, (t) => migration.migrate(db, t))
    expect(await tables()).toHaveLength(24)
    await db.close()
    await other.drop()
    connection.connect(database.url)
  })

  it('two servers starting at once migrate once', async () => {
    const other = await freshDatabase(inject('databaseUrl'))
    const both = [connection.connect(other.url), connection.connect(other.url)]
    await Promise.all(both.map((db) => migration.alone(db, (t) => migration.migrate(db, t))))
    const done = await both[0]!.query('select name from migrations', { type: QueryTypes.SELECT })
    expect(done).toHaveLength(migrations.length)
    await Promise.all(both.map((db) => db.close()))
    await other.drop()
  })
})

describe('the demo workshop', () => {
  it('is filled in once and not again after its jobs were changed', async () => {
    sequelize = connection.connect(database.url)
    expect(await people.listPeople()).toEqual(DEMO_PEOPLE)
    expect(new Set((await readBoard(board, { state: 'open' })).rows.map(({ id }) => id))).toEqual(
      new Set(DEMO_JOBS.filter(({ acts }) => !acts.some(({ type }) => type === 'state')).map(({ id }) => id))
    )
    await keeping.addAct(VAN, took('kept', 0.4))
    await migration.alone(sequelize, (t) => demo.fillDemo(t))
    expect((await jobs.findJob(VAN)).acts.at(-1)!.act.id).toBe('kept')
  })

  it("put back as it ships leaves jobs of the workshop's own alone", async () => {
    const own = '11111111-1111-4111-8111-111111111111'
    await jobs.insertJob(own, { ...DEMO_JOBS[0]!.job, vehicle: 'Our own' }, [took('mine', 0.2)])
    await migration.alone(sequelize, (t) => demo.putDemo(t))
    expect((await jobs.findJob(VAN)).acts).toHaveLength(DEMO_JOBS[0]!.acts.length)
    expect((await jobs.findJob(own)).acts.map(({ act }) => act)).toEqual([took('mine', 0.2)])
  })

  it('its sheets are sound and its jobs can be exported and taken in elsewhere', () => {
    expect(DEMO_SHEETS).toHaveLength(8)
    for (const { job, acts } of DEMO_JOBS) {
      const back = importJob(JSON.parse(JSON.stringify(exportJob(job, acts))), { by: 'Bela', at, newId: () => 'x' })
      expect(back.faults).toEqual([])
      expect(back.acts).toEqual(acts)
    }
  })
})

describe('acts on a job', () => {
  it('are kept in order, as they came', async () => {
    const first = await keeping.addAct(VAN, took('a1', 0.4, { supersedes: undefined }))
    const second = await keeping.addAct(VAN, { ...took('a2', 0.6), supersedes: 'a1' })
    expect(second.seq).toBeGreaterThan(first.seq)
    expect((await jobs.findJob(VAN)).acts.slice(-2).map(({ act }) => act.id)).toEqual(['a1', 'a2'])
  })

  it('sent twice, also at the same moment, are kept once', async () => {
    const answers = await Promise.all(Array.from({ length: 5 }, () => keeping.addAct(VAN, took('again', 0.3))))
    expect(new Set(answers.map(({ seq }) => seq)).size).toBe(1)
    expect((await jobs.findJob(VAN)).acts.filter(({ act }) => act.id === 'again')).toHaveLength(1)
  })

  it('with an id that stands for another act are refused, and nothing is overwritten', async () => {
    await keeping.addAct(VAN, took('one', 0.3))
    await expect(keeping.addAct(VAN, took('one', 0.9))).rejects.toMatchObject({ code: 'conflict' })
    expect((await jobs.findJob(VAN)).acts.find(({ act }) => act.id === 'one')!.act).toEqual(took('one', 0.3))
  })

  it('that cannot be true are refused with the place, and nothing is kept', async () => {
    const before = (await jobs.findJob(VAN)).acts.length
    await expect(keeping.addAct(VAN, took('bad', -1))).rejects.toMatchObject({
      code: 'bad-input',
      faults: [{ place: 'reading.value', code: 'below-0' }]
    })
    expect((await jobs.findJob(VAN)).acts).toHaveLength(before)
  })

  it.each(['nonsense', '00000000-0000-4000-8000-000000000000', "'; drop table jobs; --"])(
    'on the unknown job %s say so',
    async (id) => {
      await expect(keeping.addAct(id, took('x', 0.3))).rejects.toMatchObject({ code: 'not-found' })
    }
  )

  it('a job with a broken act is not kept at all', async () => {
    const id = '22222222-2222-4222-8222-222222222222'
    await expect(jobs.insertJob(id, DEMO_JOBS[0]!.job, [took('t', 0.1), took('t', 0.2)])).rejects.toThrow()
    await expect(jobs.findJob(id)).rejects.toMatchObject({ code: 'not-found' })
  })
})

it('a name known already is not added twice, however it is spelt in capitals', async () => {
  const once = await people.addPerson('Runa')
  expect(await people.addPerson('RUNA')).toEqual(once)
  expect(once).toMatchObject({ name: 'Runa', people: expect.arrayContaining(['Runa']) })
})

it("transactions that got in each other's way are tried again, and both have theirs", async () => {
  const [a, b] = ['Deadlock a', 'Deadlock b']
  await sequelize.query('insert into vehicles (id, name) values (gen_random_uuid(), $1), (gen_random_uuid(), $2)', {
    bind: [a, b]
  })
  let met = 0
  let both: () => void
  const together = new Promise<void>((done) => (both = done))
  const touch = (first: string, then: string, note: string) =>
    connection.inTransaction(async (transaction) => {
      const set = (name: string) =>
        sequelize.query('update vehicles set note = note || $2 where name = $1', { bind: [name, note], transaction })
      await set(first)
      if (++met === 2) both()
      if (met <= 2) await together
      await set(then)
    })
  await Promise.all([touch(a, b, 'x'), touch(b, a, 'y')])
  const [rows] = await sequelize.query('select note from vehicles where name in ($1, $2)', { bind: [a, b] })
  expect((rows as { note: string }[]).map(({ note }) => [...note].sort().join(''))).toEqual(['xy', 'xy'])
  expect(met).toBeGreaterThan(2)
})
