import { randomUUID } from 'node:crypto'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { buffer } from 'node:stream/consumers'
import { strFromU8, unzipSync } from 'fflate'
import { QueryTypes } from 'sequelize'
import sharp from 'sharp'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { backup, restore } from '../../scripts/backup.mjs'
import { DEMO_JOBS } from '../../demo/workshop'
import { freshDatabase } from './database'
import { useWorkshop } from './workshop'

/** Erasing for good: searched for afterwards wherever anything is kept. */
const workshop = useWorkshop()
const NAME = 'Quentin Marsh-Ferrer'
const PLATE = 'ZK 90 44'
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
  const { CustomerRow, VehicleRow, JobRow, SettingRow } = await import('../../server/db/models')
  const facts = { phone: '', email: '', address: '', note: '' }
  customer = await workshop.customers.addCustomer({
    ...facts,
    name: NAME,
    phone: '+351 900 111 222',
    email: 'quentin@marsh.example'
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
    for: 'parts',
    note: `Ask Marsh-Ferrer, Quentin about zk9044`
  })
  await workshop.acts.addAct(other, { ...by, id: 'wait-2', type: 'waits', for: 'parts', note: 'Grey launch next' })
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
  await workshop.practice
    .keepJobAsCase(job, { title: `The van of ${NAME}`, complaint: 'It rattles' } as never, 'Tove')
    .catch(() => undefined)
  await SettingRow.upsert({ key: 'intake-columns', value: { [`notes of ${NAME.toLowerCase()}`]: null } })
  await CustomerRow.update({ intakeId: null }, { where: {} })
  await VehicleRow.update({ note: `once ${NAME}'s` }, { where: { id: sold } })
  await workshop.jobs.openedJob(job)
  await backup(process.env.DATABASE_URL!, before)
})
afterAll(() => {
  rmSync(folder, { recursive: true, force: true })
  delete process.env.UMBRETTE_LEDGER
})

/** Every value of every table that names the customer. */
async function found(
  sequelize = workshop.sequelize,
  words = /quentin|marsh|zk.?90.?44|900.?111.?222|grey launch/i
): Promise<string[]> {
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
      expect([name, /quentin|marsh/i.test(strFromU8(bytes, true))]).toEqual([name, false])
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
  it('made afterwards hold nothing of it, and one made before erases again when it is restored', async () => {
    const after = join(folder, 'after.backup')
    const { connect } = await import('../../server/db/connection')
    await backup(process.env.DATABASE_URL!, after)
    const database = process.env.DATABASE_URL!
    const look = async () => {
      const sequelize = connect(database)
      try {
        return await found(sequelize)
      } finally {
        await sequelize.close()
      }
    }
    for (const file of [after, before]) {
      await restore({ owner: database, admin: database }, file)
      expect([file, await look()]).toEqual([file, []])
    }
    // Where the database itself is lost, the ledger beside it knows.
    const lost = await freshDatabase(database)
    try {
      await restore({ owner: lost.url, admin: lost.url }, before, ledger)
      const sequelize = connect(lost.url)
      expect(await found(sequelize)).toEqual([])
      await sequelize.close()
    } finally {
      await lost.drop()
    }
  })
})
