import { randomUUID } from 'node:crypto'
import { existsSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, expect, it, vi } from 'vitest'
import { DATABASES, kindOf, workshopDatabase } from '../../scripts/database.mjs'
import { stopPostgres } from '../../scripts/postgres.mjs'
import { setUp } from '../../scripts/setup.mjs'
import { query } from '../../scripts/sql.mjs'
import { connect } from '../../server/db/connection'
import { fillDemo } from '../../server/db/demo'
import { alone, migrate } from '../../server/db/migrate'
import { createJob } from '../../server/db/rows'
import { DEMO_JOBS, DEMO_PEOPLE } from '../../demo/workshop'

/** A workshop of one's own beside the demo, in a cluster of the test's own. */

const folder = mkdtempSync(join(tmpdir(), 'umbrette-own-'))
let admin = ''
const own = () => workshopDatabase(folder, { kind: 'own', fast: true })
const count = async (url: string, of: string) => Number(await query(url, `select count(*) from ${of}`))
const databases = () => query(admin, `select count(*) from pg_database where datname = '${DATABASES.own}'`)

beforeAll(async () => {
  vi.spyOn(console, 'log').mockImplementation(() => undefined)
  const demo = await workshopDatabase(folder, { kind: 'demo', fast: true })
  admin = demo.admin
  const sequelize = connect(demo.owner)
  await alone(sequelize, async (transaction) => {
    await migrate(sequelize, transaction)
    await fillDemo(transaction)
    // What somebody entered beside the demo, on one of its sheets.
    const { job, acts } = DEMO_JOBS[2]!
    await createJob(randomUUID(), { ...job, vehicle: 'Our own van', openedBy: 'Ada' }, acts.slice(0, 1), {
      demo: false,
      transaction
    })
  })
  await sequelize.close()
}, 120_000)
afterAll(async () => {
  await stopPostgres(folder)
  rmSync(folder, { recursive: true, force: true })
})

it('that is told no name, or what is none, is not set up, and nothing is kept of it', async () => {
  await expect(setUp(folder, {}, { fast: true })).rejects.toThrow(/--name/)
  await expect(setUp(folder, { name: 'Ours', units: 'cubits' }, { fast: true })).rejects.toThrow(/metric or imperial/)
  const ada = { name: 'Ours', person: 'Ada', passphrase: 'quay one quay two' }
  await expect(setUp(folder, { ...ada, 'time-zone': 'Moon/Crater' }, { fast: true })).rejects.toThrow(
    /nothing was kept[^]*timeZone.*time zone/
  )
  await expect(setUp(folder, { ...ada, passphrase: 'short' }, { fast: true })).rejects.toThrow(
    /nothing was kept[^]*passphrase: at least 10/
  )
  await expect(setUp(folder, { name: 'Ours' }, { fast: true })).rejects.toThrow(/Name who owns it/)
  await expect(
    setUp(folder, { name: 'Ours', 'take-along': true, 'start-empty': true }, { fast: true })
  ).rejects.toThrow(/one of/)
  expect(await databases()).toBe('0')
  expect(kindOf(folder)).toBe('demo')
})

it('begins with its name and first person and nothing else, the demo left as it is', async () => {
  const demo = await workshopDatabase(folder, { kind: 'demo', fast: true })
  const before = await count(demo.owner, 'acts')
  await setUp(
    folder,
    {
      name: 'Harbour Repairs',
      address: 'Quay 1\\nHarbour',
      units: 'imperial',
      'time-zone': 'Europe/Lisbon',
      person: 'Ada',
      passphrase: 'quay one quay two',
      'start-empty': true
    },
    { fast: true }
  )
  const { owner } = await own()
  expect(kindOf(folder)).toBe('own')
  for (const table of ['jobs', 'acts', 'sheets', 'vehicles', 'practice_cases'])
    expect(await count(owner, table)).toBe(0)
  expect(await query(owner, 'select name from people')).toBe('Ada')
  expect(JSON.parse(await query(owner, "select value from settings where key = 'workshop'"))).toMatchObject({
    name: 'Harbour Repairs',
    address: 'Quay 1\nHarbour',
    units: { length: 'in', distance: 'mi', torque: 'lb·ft' },
    timeZone: 'Europe/Lisbon'
  })
  expect(await count(demo.owner, 'acts')).toBe(before)
  await expect(setUp(folder, { name: 'Another' }, { fast: true })).rejects.toThrow(/set up here already/)
})

it('takes along what was entered beside the demo, and nothing of the demo', async () => {
  await query(admin, `drop database ${DATABASES.own} with (force)`)
  rmSync(join(folder, 'workshop.json'))
  await setUp(
    folder,
    { name: 'Harbour Repairs', person: 'Ada', passphrase: 'quay one quay two', 'time-zone': 'UTC', 'take-along': true },
    { fast: true }
  )
  const { owner } = await own()
  expect(await query(owner, 'select vehicle from jobs')).toBe('Our own van')
  expect(await count(owner, 'acts')).toBe(1)
  expect(await query(owner, 'select id from sheets')).toBe(DEMO_JOBS[2]!.job.sheet.id)
  expect(await count(owner, 'vehicles')).toBe(1)
  const people = (await query(owner, 'select name from people')).split('\n')
  expect(people).toContain('Ada')
  expect(DEMO_PEOPLE.filter((name) => people.includes(name)).length).toBeLessThanOrEqual(1)
  expect(existsSync(join(folder, 'workshop.json'))).toBe(true)
})
