import { randomUUID } from 'node:crypto'
import pg from 'pg'
import { describe, expect, it } from 'vitest'
import { DEMO_JOBS } from '../../demo/workshop'
import type { Caller } from '../../server/access/caller'
import { ActRow, PersonRow, SessionRow } from '../../server/db/models'
import { countTry } from '../../server/db/queries/access'
import { read } from '../support/jobs'
import { useWorkshop } from './workshop'

/** Who may come in, and what is kept of who did. */
const workshop = useWorkshop()
const VAN = DEMO_JOBS[0]!.id
const NOBODY: Caller = { open: false, person: null, device: null, session: null }
const PHRASE = 'quay one quay two'

const idOf = async (name: string) => (await PersonRow.findOne({ where: { name } }))!.id
const on = (device: string): Caller => ({ ...NOBODY, device: { id: device, name: 'Tablet' } })

/** A device that was paired. */
async function paired(name = 'Tablet'): Promise<string> {
  const { code } = await workshop.devices.offerPairing(name, 'Maren')
  await workshop.devices.pairDevice(code, '127.0.0.9')
  return (await workshop.devices.listDevices()).find((one) => one.name === name)!.id
}

describe('a try', () => {
  it('waits after the fifth, twice as long each time, whichever server counts it', async () => {
    const other = new pg.Client({ connectionString: process.env.DATABASE_URL! })
    await other.connect()
    const waits: number[] = []
    for (let i = 0; i < 6; i++) {
      waits.push(await countTry('pin:test'))
      // As if the wait were over, told by another server's connection.
      if (i === 4) await other.query("update tries set next_at = now() - interval '1 second' where key = 'pin:test'")
    }
    expect(waits).toEqual([0, 0, 0, 0, 0, 0])
    const first = await countTry('pin:test')
    expect(first).toBeGreaterThan(15)
    expect(first).toBeLessThanOrEqual(30)
    await other.query("update tries set next_at = now() where key = 'pin:test'")
    expect(await countTry('pin:test')).toBe(0)
    const second = await countTry('pin:test')
    expect(second).toBeGreaterThan(first)
    await other.query("update tries set failed = 60, next_at = now() where key = 'pin:test'")
    await countTry('pin:test')
    expect(await countTry('pin:test')).toBeLessThanOrEqual(3600)
    await other.end()
  })

  it('sent many at once counts as many: no more than five are looked at', async () => {
    const looked = await Promise.all(Array.from({ length: 40 }, () => countTry('pin:burst')))
    expect(looked.filter((wait) => wait === 0)).toHaveLength(5)
  })
})

describe('signing in', () => {
  it('takes the right passphrase, however the name is spelt, and the same answer for every wrong one', async () => {
    await workshop.people.changePerson(await idOf('Maren'), { role: 'owner', passphrase: PHRASE })
    const attempt = (name: string, passphrase: string) =>
      workshop.sessions.signIn(NOBODY, { name, passphrase }, 'test').then(
        () => 'in',
        (error: Error) => error.message
      )
    expect(await attempt('maREN', PHRASE)).toBe('in')
    const wrong = await attempt('Maren', 'quay one quay')
    expect(await attempt('Nobody of that name', PHRASE)).toBe(wrong)
    expect(await attempt('Idris', PHRASE)).toBe(wrong)
  })

  it('by PIN is for devices of the workshop, and slows down who guesses', async () => {
    const person = await idOf('Idris')
    await workshop.people.setPin({ ...NOBODY, open: true }, person, '2580')
    await expect(workshop.sessions.signIn(NOBODY, { person, pin: '2580' }, '')).rejects.toThrow(/paired/)
    const device = await paired()
    for (let i = 0; i < 5; i++)
      await expect(workshop.sessions.signIn(on(device), { person, pin: '0000' }, '')).rejects.toThrow(/not the PIN/)
    await expect(workshop.sessions.signIn(on(device), { person, pin: '2580' }, '')).rejects.toThrow(/Wait/)
    // A foreman who gives a new one ends the wait.
    await workshop.people.setPin({ ...NOBODY, open: true }, person, '9157')
    await expect(workshop.sessions.signIn(on(device), { person, pin: '9157' }, '')).resolves.toBeTypeOf('string')
  })

  it('keeps no token and no secret as it is', async () => {
    const token = await workshop.sessions.signIn(NOBODY, { name: 'Maren', passphrase: PHRASE }, 'test')
    const kept = JSON.stringify([await SessionRow.findAll(), await PersonRow.findAll()])
    expect(kept).not.toContain(token)
    expect(kept).not.toContain(PHRASE)
    expect(kept).not.toContain('9157')
  })
})

describe('a device', () => {
  it('is paired once by a code, and by none that is made up', async () => {
    const { code } = await workshop.devices.offerPairing('Lift 2', 'Maren')
    const pairings = await Promise.allSettled(
      Array.from({ length: 4 }, () => workshop.devices.pairDevice(code.toLowerCase(), '127.0.0.3'))
    )
    expect(pairings.filter(({ status }) => status === 'fulfilled')).toHaveLength(1)
    await expect(workshop.devices.pairDevice('AAAAAAAAAA', '127.0.0.4')).rejects.toThrow(/not good/)
  })

  it('that is taken out ends who is signed in on it', async () => {
    const person = await idOf('Idris')
    const device = await paired('Lost tablet')
    await workshop.sessions.signIn(on(device), { person, pin: '9157' }, '')
    const { sessionOf } = await import('../../server/db/queries/access')
    const { tokenHash } = (await SessionRow.findOne({ where: { deviceId: device } }))!
    expect(await sessionOf(tokenHash)).toMatchObject({ name: 'Idris', deviceName: 'Lost tablet' })
    await workshop.devices.removeDevice(device)
    expect(await sessionOf(tokenHash)).toBeNull()
    await expect(workshop.devices.removeDevice(device)).rejects.toThrow(/no such device/)
  })
})

describe('people', () => {
  it('who are renamed keep what they entered, and nobody else gets their name', async () => {
    const id = await idOf('Bela')
    await workshop.people.changePerson(id, { name: 'Bella' })
    await expect(workshop.people.addPerson('bela')).rejects.toThrow(/is, or was/)
    await expect(workshop.people.changePerson(await idOf('Tove'), { name: 'BELLA' })).rejects.toThrow(/is, or was/)
    await workshop.people.changePerson(id, { name: 'Bela' })
    expect((await PersonRow.findByPk(id))!.former).toEqual(['Bella'])
  })

  it('who leave are signed out and in no list, but the last owner stays', async () => {
    const maren = await idOf('Maren')
    await expect(workshop.people.changePerson(maren, { retired: true })).rejects.toThrow(/stay able to sign in/)
    await expect(workshop.people.changePerson(maren, { role: 'foreman' })).rejects.toThrow(/stay able to sign in/)
    const tove = await idOf('Tove')
    await workshop.people.changePerson(tove, { passphrase: PHRASE })
    await workshop.sessions.signIn(NOBODY, { name: 'Tove', passphrase: PHRASE }, '')
    await workshop.people.changePerson(tove, { retired: true })
    expect(await SessionRow.count({ where: { personId: tove } })).toBe(0)
    expect(await workshop.people.listPeople()).not.toContain('Tove')
    await expect(workshop.sessions.signIn(NOBODY, { name: 'Tove', passphrase: PHRASE }, '')).rejects.toThrow(/No such/)
  })

  it('get no PIN from somebody who may less', async () => {
    const foreman = { id: 999, name: 'F', names: ['F'], role: 'foreman', seal: '' } as const
    await expect(workshop.people.setPin({ ...NOBODY, person: foreman }, await idOf('Maren'), '9157')).rejects.toThrow(
      /an owner/
    )
  })
})

describe('an act', () => {
  const act = (by: string, what: object = { type: 'read', reading: read.groove('guide', 0.4) }) => ({
    id: randomUUID(),
    by,
    at: '2026-11-26T08:00:00.000Z',
    ...what
  })
  const idris = async () => ({ person: await idOf('Idris'), names: ['Idris'], role: 'mechanic' as const })

  it('keeps who was signed in beside the name it shows, and is refused under another', async () => {
    const mine = act('Idris')
    await workshop.acts.addAct(VAN, mine, await idris())
    expect((await ActRow.findOne({ where: { id: mine.id } }))!.personId).toBe(await idOf('Idris'))
    await expect(workshop.acts.addAct(VAN, act('Maren'), await idris())).rejects.toThrow(/another name/)
    await expect(workshop.acts.addAct(VAN, { by: 'Maren' }, await idris())).rejects.toThrow(/another name/)
  })

  it('that takes a foreman is refused from a mechanic, and so is taking back what another entered', async () => {
    const author = await idris()
    const [first] = (await workshop.jobs.findJob(VAN)).acts
    for (const what of [
      { type: 'overrule', part: 'main', call: 'renew', reason: 'so' },
      { type: 'release', hold: 'tasks', reason: 'so' },
      { type: 'signoff', seen: 'x' },
      { type: 'pricing', pricing: { hourRate: 70 } },
      { type: 'state', state: 'deleted' },
      { type: 'undo', act: first!.act.id }
    ])
      await expect(workshop.acts.addAct(VAN, act('Idris', what), author)).rejects.toThrow(/takes a foreman/)
    const mine = act('Idris')
    await workshop.acts.addAct(VAN, mine, author)
    await workshop.acts.addAct(VAN, act('Idris', { type: 'undo', act: mine.id }), author)
    await workshop.acts.addAct(VAN, act('Idris', { type: 'undo', act: first!.act.id }), {
      ...author,
      role: 'foreman'
    })
  })
})
