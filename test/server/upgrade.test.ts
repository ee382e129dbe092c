import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, describe, expect, it } from 'vitest'
import { backup } from '../../scripts/backup.mjs'
import { query } from '../../scripts/sql.mjs'
import { connect } from '../../server/db/connection'
import { alone } from '../../server/db/migrate'
import { doors } from '../../server/db/migrations/0012-doors'
import { useRestored } from './restored'

/** A workshop of one's own as the version before people signed in kept it. */
const OLD = 'test/fixtures/workshop-0011.backup'
const JOB = '5a17a000-0000-4000-8000-00000000b001'
const folder = mkdtempSync(join(tmpdir(), 'umbrette-upgrade-'))
const workshop = useRestored(
  OLD,
  async () => ({
    caller: await import('../../server/access/caller'),
    devices: await import('../../server/store/devices'),
    jobs: await import('../../server/store/jobs'),
    people: await import('../../server/store/people'),
    workshop: await import('../../server/store/workshop')
  }),
  { UMBRETTE_DOORS: 'closed' }
)
afterAll(() => rmSync(folder, { recursive: true }))

describe('a workshop of the version before people signed in', () => {
  it('comes along whole: its job, who entered what, and what stands for it', async () => {
    const { acts, job } = await workshop.stores.jobs.findJob(JOB)
    expect(job.openedBy).toBe('Ada')
    expect(new Set(acts.map(({ act }) => act.by))).toEqual(new Set(['Ben']))
    expect(Number(await query(workshop.url, 'select count(*) from acts where person_id is not null'))).toBe(0)
    expect(await workshop.stores.workshop.workshopFacts()).toMatchObject({
      name: 'Harbour Repairs',
      timeZone: 'Europe/Lisbon',
      currency: 'EUR',
      language: 'en'
    })
  })

  it('stays open on its own machine until its owner can sign in, and is closed from then on', async () => {
    expect(await workshop.stores.caller.isClosed()).toBe(false)
    const staff = await workshop.stores.people.listStaff()
    expect(staff).toMatchObject([
      { name: 'Ada', role: 'mechanic', hasPassphrase: false },
      { name: 'Ben', role: 'mechanic', hasPassphrase: false }
    ])
    await workshop.stores.people.changePerson(staff[0]!.id, { role: 'owner', passphrase: 'quay one quay two' })
    expect(await workshop.stores.caller.isClosed()).toBe(true)
  })

  it('put back from a backup lets nobody go on who was signed in then, nor a device that was taken out since', async () => {
    const pair = async (name: string) => {
      const { code } = await workshop.stores.devices.offerPairing(name, 'Ada')
      await workshop.stores.devices.pairDevice(code, '127.0.0.5')
      return (await workshop.stores.devices.listDevices()).find((one) => one.name === name)!.id
    }
    const [lost] = [await pair('Lost'), await pair('Kept')]
    await query(
      workshop.url,
      `insert into sessions (id, token_hash, person_id, browser, ends_at)
       select gen_random_uuid(), 'x', min(id), '', now() + interval '1 day' from people`
    )
    const file = join(folder, 'with-devices.backup')
    await backup(workshop.url, file)
    await workshop.stores.devices.removeDevice(lost)
    await workshop.putBack(file)
    expect(await query(workshop.url, 'select count(*) from sessions')).toBe('0')
    expect(await query(workshop.url, 'select name from devices where removed_at is null')).toBe('Kept')
  })

  it('can go the step back and forth with what is in it', async () => {
    const count = () => query(workshop.url, 'select count(*) from acts')
    const before = await count()
    const db = connect(workshop.url)
    const step = (transaction: Parameters<typeof doors.up>[0]['transaction']) => ({
      schema: db.getQueryInterface(),
      transaction
    })
    await alone(db, (transaction) => doors.down(step(transaction)))
    expect(await query(workshop.url, "select to_regclass('public.sessions') is null")).toBe('t')
    await alone(db, (transaction) => doors.up(step(transaction)))
    await db.close()
    expect(await count()).toBe(before)
  })
})
