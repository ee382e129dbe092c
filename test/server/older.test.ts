import { mkdtempSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { randomUUID } from 'node:crypto'
import { QueryTypes } from 'sequelize'
import { afterAll, describe, expect, it } from 'vitest'
import { exportJob, importJob } from '../../core/record'
import { DEMO_JOBS, DEMO_PEOPLE } from '../../demo/workshop'
import { backup } from '../../scripts/backup.mjs'
import { query } from '../../scripts/sql.mjs'
import { connect } from '../../server/db/connection'
import { alone } from '../../server/db/migrate'
import { unharmed } from '../../server/db/migrations/0010-unharmed'
import { read } from '../support/jobs'
import { readBoard } from './workshop'
import { useRestored } from './restored'

/**
 * A workshop as the version before kept it, with text, fields and names in it that no list could read again, or no
 * later version takes in.
 */
const OLD = 'test/fixtures/workshop-0009.backup'
const VAN = DEMO_JOBS[0]!.id
/** Jobs that the demo had then. */
const KEPT = DEMO_JOBS.slice(0, 14)
const by = { by: 'Maren', at: '2026-11-26T08:00:00.000Z' }
const folder = mkdtempSync(join(tmpdir(), 'umbrette-older-'))
const workshop = useRestored(OLD, async () => ({
  acts: await import('../../server/store/acts'),
  board: await import('../../server/store/board'),
  jobs: await import('../../server/store/jobs'),
  summaries: await import('../../server/store/summaries'),
  people: await import('../../server/store/people'),
  photos: await import('../../server/store/photos'),
  learning: await import('../../server/store/learning')
}))
afterAll(() => rmSync(folder, { recursive: true }))

describe('a workshop that the version before kept', () => {
  it('is whole: every job, entry and picture, on every list', async () => {
    await workshop.stores.summaries.refreshStale()
    const lists = await Promise.all(
      (['open', 'closed', 'archived', 'deleted'] as const).map((state) => readBoard(workshop.stores.board, { state }))
    )
    const rows = lists.flatMap((list) => list.rows)
    expect(rows.map(({ id }) => id).sort()).toEqual(KEPT.map(({ id }) => id).sort())
    expect(rows.filter(({ trouble }) => trouble)).toEqual([])
    await expect(workshop.stores.learning.workshopLearnt(['Maren'])).resolves.toBeDefined()
    expect(
      (await workshop.stores.photos.photoBytes('5a17a000-0000-4000-8000-0000000000aa', 'body')).length
    ).toBeGreaterThan(100)
  })
  it('has its text made readable, and its people once', async () => {
    const { acts } = await workshop.stores.jobs.findJob(VAN)
    expect(acts.find(({ act }) => act.id === 'old-nul')!.act).toMatchObject({ reading: { note: 'a\ufffdb \ufffd c' } })
    expect(await workshop.stores.people.listPeople()).toEqual([...DEMO_PEOPLE, 'Otto'].sort((a, b) => (a < b ? -1 : 1)))
  })
  it('goes on: entries are taken in, and every job is exported and taken in again', async () => {
    await expect(
      workshop.stores.acts.addAct(VAN, { ...by, id: randomUUID(), type: 'read', reading: read.groove('arm', 0.3) })
    ).resolves.toBeTruthy()
    for (const { id } of KEPT) {
      const { job, acts } = await workshop.stores.jobs.findJob(id)
      const back = importJob(
        JSON.parse(
          JSON.stringify(
            exportJob(
              job,
              acts.map(({ act }) => act)
            )
          )
        ),
        { ...by, newId: randomUUID }
      )
      expect(back.faults).toEqual([])
      expect(back.acts).toHaveLength(acts.length)
      expect(back.acts.every((act) => act.type !== 'signoff' || act.unchecked)).toBe(true)
    }
  })
  it('can go a step back and forth with what is in it', async () => {
    const db = connect(workshop.url)
    const count = async () =>
      (await db.query<{ n: string }>('select count(*) as n from acts', { type: QueryTypes.SELECT }))[0]!.n
    const before = await count()
    await alone(db, (transaction) => unharmed.down({ schema: db.getQueryInterface(), transaction }))
    await alone(db, (transaction) => unharmed.up({ schema: db.getQueryInterface(), transaction }))
    expect(await count()).toBe(before)
    await db.close()
  })
})

it("a backup is its owner's alone, and one that a newer version made is refused", async () => {
  const file = join(folder, 'newer.backup')
  const db = connect(workshop.url)
  await db.query("insert into migrations (name) values ('9999-to-come')")
  await backup(workshop.url, file)
  await db.query("delete from migrations where name = '9999-to-come'")
  await db.close()
  expect(statSync(file).mode & 0o777).toBe(0o600)
  await expect(workshop.putBack(file)).rejects.toThrow(
    /newer version of Umbrette \(9999-to-come\).*nothing was changed/
  )
  expect(Number(await query(workshop.url, 'select count(*) from acts'))).toBeGreaterThan(50)
})
