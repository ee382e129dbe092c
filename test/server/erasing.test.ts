import { randomUUID } from 'node:crypto'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { buffer } from 'node:stream/consumers'
import { strFromU8, unzipSync } from 'fflate'
import { QueryTypes } from 'sequelize'
import sharp from 'sharp'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { backup, restore } from '../../scripts/backup.mjs'
import { DEMO_JOBS } from '../../demo/workshop'
import { run } from '../../scripts/run.mjs'
import { program } from '../../scripts/sql.mjs'
import { useWorkshop } from './workshop'

/** Erasing for good: searched for afterwards wherever anything is kept. */
const workshop = useWorkshop()
const NAME = 'Quentin Verloop-Ferrer'
const PLATE = 'ZK 90 44'
const TOLD = /quentin|verloop|zk.?90.?44|900.?111.?222|grey launch/i
const folder = mkdtempSync(join(tmpdir(), 'umbrette-erasing-'))
const ledger = join(folder, 'erased.jsonl')
const before = join(folder, 'before.backup')
const by = { by: 'Tove', at: '2026-11-26T09:00:00.000Z' }
let erasing: typeof import('../../server/erasing/erase')
let customer = ''
let job = ''
let other = ''
let sold = ''
let token = ''

beforeAll(async () => {
  process.env.UMBRETTE_LEDGER = ledger
  erasing = await import('../../server/erasing/erase')
  const { VehicleRow, JobRow, SettingRow } = await import('../../server/db/models')
  const facts = { phone: '', email: '', address: '', note: '' }
  customer = await workshop.customers.addCustomer({
    ...facts,
    name: NAME,
    phone: '+351 900 111 222',
    email: 'quentin@verloop.example'
  })
  const another = await workshop.customers.addCustomer({ ...facts, name: 'Bo Slip', note: `neighbour of ${NAME}` })
  const known = { note: '', chassis: '', model: '', sheet: 'ardmere-a18' }
  const van = await workshop.vehicles.addVehicle({ ...known, name: 'Grey launch', registration: PLATE, customer })
  sold = await workshop.vehicles.addVehicle({ ...known, name: 'Red launch', registration: 'RL 77 20', customer })
  await workshop.vehicles.keepPastJob(
    van,
    {
      doneOn: '2024-05-01',
      usage: { value: 90_000, unit: 'km' },
      work: `For ${NAME}`,
      doneBy: 'Tove',
      renewed: ['chain'],
      elongation: 0.004
    },
    'Tove'
  )
  job = randomUUID()
  const demo = DEMO_JOBS.find(({ acts }) =>
    acts.some(({ type, ...act }) => type === 'state' && (act as { state?: string }).state === 'closed')
  )!
  await workshop.jobs.insertJob(
    job,
    { ...demo.job, vehicle: 'Grey launch', vehicleId: van, complaint: `${NAME} hears it` },
    demo.acts
  )
  await JobRow.update({ customerId: customer }, { where: { id: job } })
  other = DEMO_JOBS[0]!.id
  await workshop.acts.addAct(other, {
    ...by,
    id: 'wait-1',
    type: 'waits',
    for: 'part',
    note: `Ask Verloop-Ferrer, Quentin about zk9044`
  })
  await workshop.acts.addAct(other, { ...by, id: 'wait-2', type: 'waits', for: 'part', note: 'Grey launch next' })
  // A vehicle that was somebody else's before: it stays with their job, theirs of this customer goes.
  const elsewhere = DEMO_JOBS[1]!
  await JobRow.update(
    { vehicleId: sold, customerId: another },
    { where: { id: elsewhere.job.vehicle ? elsewhere.id : '' } }
  )
  const picture = await sharp({ create: { width: 30, height: 20, channels: 3, background: '#274' } })
    .jpeg()
    .toBuffer()
  await workshop.photos.addPhoto(job, picture)
  ;({ token } = await workshop.shares.createShare(job, 'Tove', 30))
  await workshop.practice.keepJobAsCase(job, { title: `The van of ${NAME}`, complaint: 'It rattles' } as never, 'Tove')

  await SettingRow.upsert({ key: 'intake-columns', value: { [`notes of ${NAME.toLowerCase()}`]: null } })
  await VehicleRow.update({ note: `once ${NAME}'s` }, { where: { id: sold } })
  await workshop.jobs.openedJob(job)
  await backup(process.env.DATABASE_URL!, before)
})
afterAll(() => {
  rmSync(folder, { recursive: true, force: true })
  delete process.env.UMBRETTE_LEDGER
})

/** Every value of every table that names the customer. */
async function found(sequelize = workshop.sequelize, words = TOLD): Promise<string[]> {
  const tables = await sequelize.query<{ name: string }>(
    "select tablename as name from pg_tables where schemaname = 'public'",
    { type: QueryTypes.SELECT }
  )
  const all: string[] = []
  for (const { name } of tables) {
    const rows = await sequelize.query<{ row: string }>(`select to_json(t)::text as row from ${name} t`, {
      type: QueryTypes.SELECT
    })
    all.push(...rows.filter(({ row }) => words.test(row)).map(({ row }) => `${name}: ${words.exec(row)?.[0] ?? ''}`))
  }
  return all
}

describe('A customer', () => {
  it('is told first with all that would go, and wherever else they are named', async () => {
    const plan = await erasing.planErasure(customer)
    expect(plan).toMatchObject({
      vehicles: ['Grey launch'],
      staying: ['Red launch'],
      jobs: 1,
      photos: 1,
      shares: 1,
      pastJobs: 1
    })
    const places = plan.mentions.map(({ place }) => place)
    expect(new Set(places)).toEqual(
      new Set(
        ['acts', 'customers', 'vehicles', 'settings', 'practice_cases'].filter((place) =>
          places.includes(place as never)
        )
      )
    )
    expect(places).toContain('acts')
    expect(plan.mentions.find(({ place }) => place === 'acts')?.job).toBe(other)
    expect((await found()).length).toBeGreaterThan(8)
  })

  it('is not erased under another name', async () => {
    await expect(erasing.eraseCustomer(customer, 'Quentin', { by: 'Tove', left: [] })).rejects.toMatchObject({
      code: 'bad-input'
    })
  })

  it('is in no table, answer, link or archive afterwards', async () => {
    await erasing.eraseCustomer(customer, ` ${NAME.toLowerCase()}`, { by: 'Tove', left: [] })
    expect(await found()).toEqual([])
    await expect(workshop.jobs.openedJob(job)).rejects.toMatchObject({ code: 'not-found' })
    await expect(workshop.shares.openShare(token)).rejects.toMatchObject({ code: 'not-found' })
    const { writeArchive } = await import('../../server/archive/write')
    const files = unzipSync(await buffer(await writeArchive()))
    for (const [name, bytes] of Object.entries(files))
      expect([name, /quentin|verloop/i.test(strFromU8(bytes, true))]).toEqual([name, false])
  })

  it('leaves who else was on the vehicle, and figures of wear of nobody', async () => {
    const red = await workshop.vehicles.findVehicle(sold)
    expect(red).toMatchObject({ name: 'Red launch', registration: '', customer: null })
    expect(red.jobs).toHaveLength(1)
    const { WearFigureRow } = await import('../../server/db/models')
    const wear = await WearFigureRow.findAll()
    expect(wear).toHaveLength(2)
    expect(new Set(wear.map(({ vehicle }) => vehicle)).size).toBe(1)
    const learnt = await workshop.learning.learntNow()
    expect(JSON.stringify(learnt)).not.toMatch(/quentin|grey launch/i)
    expect(wear.some(({ file }) => file !== null)).toBe(true)
  })

  it('stands in the ledger by when and whom, not by what', async () => {
    const [entry] = await erasing.listErasures()
    expect(entry).toMatchObject({ kind: 'customer', by: 'Tove', jobs: 1, vehicles: 1 })
    expect(readFileSync(ledger, 'utf8')).not.toMatch(/quentin|launch|zk/i)
    expect(JSON.parse(readFileSync(ledger, 'utf8'))).toMatchObject({ by: 'Tove', rows: { jobs: [job] } })
  })
})

describe('A job', () => {
  it('goes for good once it is deleted, and its customer and vehicle stay', async () => {
    const [id] = [DEMO_JOBS[2]!.id]
    await expect(erasing.eraseJob(id, 'Tove')).rejects.toMatchObject({ code: 'conflict' })
    await workshop.acts.addAct(id, { ...by, id: 'gone-1', type: 'state', state: 'deleted' })
    await erasing.eraseJob(id, 'Tove')
    await expect(workshop.jobs.findJob(id)).rejects.toMatchObject({ code: 'not-found' })
    expect((await erasing.listErasures())[0]).toMatchObject({ kind: 'job', jobs: 1 })
    await expect(erasing.eraseJob(id, 'Tove')).rejects.toMatchObject({ code: 'not-found' })
  })
})

describe('Backups', () => {
  it('made afterwards hold nothing of it', async () => {
    const after = join(folder, 'after.backup')
    await backup(process.env.DATABASE_URL!, after)
    const text = join(folder, 'after.sql')
    await run(program('pg_restore'), ['--data-only', `--file=${text}`, after], { quiet: true })
    expect(readFileSync(text, 'utf8')).toMatch(/Saltmarsh|ardmere/)
    expect(readFileSync(text, 'utf8')).not.toMatch(TOLD)
  })

  it('made before erase again when they are restored, by the database’s ledger and by that beside it', async () => {
    const url = process.env.DATABASE_URL!
    const { ErasureRow } = await import('../../server/db/models')
    await ErasureRow.destroy({ where: { kind: 'job' } })
    const [, ofJob] = readFileSync(ledger, 'utf8').split('\n')
    writeFileSync(ledger, `${ofJob}\n{"id": "not finis`)
    await restore({ owner: url, admin: url }, before, ledger)
    const { connect } = await import('../../server/db/connection')
    const sequelize = connect(url)
    expect(await found(sequelize)).toEqual([])
    const [left] = await sequelize.query<{ jobs: string; erasures: string }>(
      `select (select count(*) from jobs where id = '${DEMO_JOBS[2]!.id}') as jobs, (select count(*) from erasures) as erasures`,
      { type: QueryTypes.SELECT }
    )
    expect(left).toEqual({ jobs: '0', erasures: '2' })
    await sequelize.close()
  })
})

/** Columns of text in which nobody is written of, and why not. */
const NOBODY: Readonly<Record<string, string>> = {
  people: 'who works here',
  sessions: 'who works here',
  passkeys: 'who works here',
  challenges: 'digests',
  pairings: 'who works here',
  devices: 'who works here',
  tries: 'digests',
  migrations: 'names of changes',
  benches: 'ids of parts',
  photos: 'a digest',
  erasures: 'ids, and who works here'
}
/** Columns of the other tables that hold ids, codes, days, digests, names of who works here, or what is derived. */
const NOT_WRITTEN =
  /^(id|school|state|usage|corrections|summary_core|opened_by|words|check_date|sheet_id|token_hash|created_by|made_by|kept_by|saved_by|found|counts|renewed|done_on|case_key|by|phone|email|name|key|month|language)$/

it('every column in which somebody could be written of is gone through', async () => {
  const { PLACES } = await import('../../server/db/queries/mentions')
  const columns = await workshop.sequelize.query<{ table: string; column: string }>(
    `select table_name as "table", column_name as "column" from information_schema.columns
     where table_schema = 'public' and data_type in ('text', 'json', 'jsonb', 'character varying')`,
    { type: QueryTypes.SELECT }
  )
  const looked = ({ table, column }: { table: string; column: string }) => {
    const place = (PLACES as Record<string, { text: readonly string[]; json: readonly string[] }>)[table]
    return [...(place?.text ?? []), ...(place?.json ?? [])].includes(column)
  }
  const left = columns.filter((one) => !looked(one) && !NOBODY[one.table] && !NOT_WRITTEN.test(one.column))
  expect(left).toEqual([])
  // Names stand in this list as those of customers alone are: they go with the customer, or are another's.
  const named = columns.filter((one) => !looked(one) && !NOBODY[one.table] && one.column === 'name')
  expect(named.map(({ table }) => table)).toEqual(['customers'])
})
