import { createWriteStream, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pipeline } from 'node:stream/promises'
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import { Ajv2020 } from 'ajv/dist/2020'
import sharp from 'sharp'
import { afterAll, beforeAll, describe, expect, inject, test, vi } from 'vitest'
import { DEMO_JOBS } from '../../demo/workshop'
import { freshDatabase } from './database'
import { useWorkshop } from './workshop'

/** The whole workshop out as open files, and in again by an empty one. */
const workshop = useWorkshop()
const folder = mkdtempSync(join(tmpdir(), 'umbrette-archive-'))
const file = join(folder, 'out.zip')
const job = DEMO_JOBS[0]!.id
const SECRET = 'scrypt-digest-of-a-passphrase'
let files: Record<string, Uint8Array>

async function writeOut(to: string): Promise<Record<string, Uint8Array>> {
  const { writeArchive } = await import('../../server/archive/write')
  await pipeline(await writeArchive(), createWriteStream(to))
  return unzipSync(readFileSync(to))
}

const json = <T>(name: string): T => JSON.parse(strFromU8(files[name]!)) as T

/** The same archive with something changed in it. */
function changed(name: string, change: (rows: Record<string, unknown>[]) => unknown): string {
  const to = join(folder, 'changed.zip')
  const value = change(json(name))
  writeFileSync(to, zipSync({ ...files, [name]: strToU8(JSON.stringify(value)) }, { level: 0 }))
  return to
}

beforeAll(async () => {
  const picture = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#356' } })
    .jpeg()
    .toBuffer()
  await workshop.photos.addPhoto(job, picture)
  await workshop.shares.createShare(job, 'Tove', 30)
  const { PersonRow } = await import('../../server/db/models')
  await PersonRow.update({ passphrase: SECRET, pin: SECRET }, { where: { name: 'Tove' } })
  const at = '2026-11-26T09:00:00.000Z'
  await workshop.acts.addAct(DEMO_JOBS[1]!.id, { id: 'gone-1', type: 'state', by: 'Tove', at, state: 'deleted' })
  files = await writeOut(file)
})
afterAll(() => rmSync(folder, { recursive: true, force: true }))

describe('Everything out', () => {
  test('holds all that the workshop keeps, as files that other programs read', () => {
    for (const { id } of DEMO_JOBS) expect(json<{ format: string }>(`jobs/${id}.json`).format).toBe('umbrette-job')
    expect(Object.keys(files).some((name) => name.startsWith(`photos/${job}/`))).toBe(true)
    expect(strFromU8(files['csv/customers.csv']!).split('\r\n')[0]).toContain('id,name,phone,email')
    expect(json<unknown[]>('shares.json')).toHaveLength(1)
    const ajv = new Ajv2020({ strict: false, formats: {} })
    const valid = ajv.compile(json<object>('schemas/umbrette-job.schema.json'))
    expect(valid(json(`jobs/${job}.json`)), JSON.stringify(valid.errors?.slice(0, 3))).toBe(true)
  })

  test('no secret of anybody goes out', () => {
    const seals = new RegExp(SECRET)
    expect(Object.values(files).filter((bytes) => seals.test(strFromU8(bytes, true)))).toEqual([])
    expect(json<{ name: string }[]>('people.json').map(({ name }) => name)).toContain('Tove')
  })

  test('a workshop that keeps something takes none in', async () => {
    const { takeArchive } = await import('../../server/archive/take')
    await expect(takeArchive(file, { by: 'Tove', progress: () => {}, gone: () => false })).rejects.toMatchObject({
      code: 'conflict'
    })
  })
})

describe('In again by an empty workshop', () => {
  let database: Awaited<ReturnType<typeof freshDatabase>>
  let take: typeof import('../../server/archive/take').takeArchive
  let close: () => Promise<void>
  const quietly = { by: 'Tove', progress: () => {}, gone: () => false }

  beforeAll(async () => {
    database = await freshDatabase(inject('databaseUrl'))
    Object.assign(process.env, { DATABASE_URL: database.url, UMBRETTE_DEMO: '' })
    vi.resetModules()
    const { useDb } = await import('../../server/db/connection')
    const { offerTasks } = await import('../../server/heavy/heavily')
    offerTasks((await import('../../server/heavy/tasks')).TASKS)
    const sequelize = await useDb()
    close = () => sequelize.close()
    take = (await import('../../server/archive/take')).takeArchive
  })
  afterAll(async () => {
    await close()
    await database.drop()
  })

  async function counts(): Promise<number[]> {
    const models = await import('../../server/db/models')
    return Promise.all(
      [models.JobRow, models.CustomerRow, models.SheetRow, models.PhotoRow, models.PracticeRunRow].map((table) =>
        (table as typeof models.JobRow).count()
      )
    )
  }

  test.each([
    ['no archive', () => (writeFileSync(join(folder, 'no.zip'), 'PK\u0003\u0004 not one'), join(folder, 'no.zip')), ''],
    [
      'a vehicle of nobody',
      () => changed('vehicles.json', (rows) => rows.map((row) => ({ ...row, customer: job }))),
      'customer'
    ],
    [
      'an address that is none',
      () => changed('customers.json', (rows) => [{ ...rows[0], email: 'a@b.c\r\nBcc: x' }]),
      'email'
    ],
    ['a field nobody knows', () => changed('people.json', (rows) => [{ ...rows[0], passphrase: 'x' }]), 'passphrase'],
    ['a broken job', () => changed(`jobs/${job}.json`, (file) => ({ ...file, school: 'other' })), 'school'],
    ['no list', () => changed('shares.json', () => ({})), 'shares.json'],
    ['a newer version', () => changed('workshop.json', (head) => ({ ...head, version: 9 })), 'version']
  ])('is refused with its place and keeps nothing: %s', async (_, make, place) => {
    const refused = await take(make(), quietly).then(
      () => null,
      (error: { code: string; faults: { place: string }[] }) => error
    )
    expect(refused).toMatchObject({ code: 'bad-input' })
    expect(refused!.faults.map((fault) => fault.place).join(' ')).toContain(place)
    expect(await counts()).toEqual([0, 0, 0, 0, 0])
  })

  test('called off, nothing is kept', async () => {
    let calls = 0
    await expect(take(file, { ...quietly, gone: () => ++calls > 15 })).rejects.toMatchObject({ code: 'bad-request' })
    expect(await counts()).toEqual([0, 0, 0, 0, 0])
  })

  test('equal, file by file', async () => {
    const told: number[] = []
    const taken = await take(file, { ...quietly, progress: (done) => told.push(done) })
    expect(taken).toMatchObject({ jobs: DEMO_JOBS.length, photos: 1 })
    expect(told.at(-1)).toBe(DEMO_JOBS.length)
    const again = await writeOut(join(folder, 'again.zip'))
    expect(Object.keys(again).sort()).toEqual(Object.keys(files).sort())
    for (const [name, bytes] of Object.entries(files)) {
      if (name === 'workshop.json') continue
      expect(strFromU8(again[name]!, true), name).toBe(strFromU8(bytes, true))
    }
    const { madeAt: _before, ...head } = json<{ madeAt: string }>('workshop.json')
    const { madeAt: _after, ...now } = JSON.parse(strFromU8(again['workshop.json']!)) as { madeAt: string }
    expect(now).toEqual(head)
  })

  test('summaries are made of what was taken in', async () => {
    const { refreshStale } = await import('../../server/store/summaries')
    await refreshStale()
    const { JobRow } = await import('../../server/db/models')
    expect(await JobRow.count({ where: { summaryError: null as never, stale: false } })).toBe(DEMO_JOBS.length)
  })
})
