import { isUuid } from '../../core/check'
import { randomUUID } from 'node:crypto'
import { Op } from 'sequelize'
import type { Role } from '../../core/record'
import { suffices } from '../../core/record'
import { told } from '../../words/problems'
import { type Caller, forgetCallers, roleOf, sessionEnd } from '../access/caller'
import { hashOf, isSecret, makeToken } from '../access/secrets'
import { countPatiently } from '../access/tries'
import { reachedAt } from '../access/reached'
import { useDb } from '../db/connection'
import { ErasureRow, DeviceRow, PersonRow, SessionRow } from '../db/models'
import { forgetTries, personOfName } from '../db/queries/access'
import { Problem } from '../utils/problem'
import { passphraseKey, pinKey } from './people'

/** A session as settings list it. */
export interface ListedSession {
  id: string
  person: string
  role: Role
  device: string | null
  browser: string
  madeAt: string
  seenAt: string
  mine: boolean
}

/** How somebody signs in: anywhere with a passphrase, on a paired device with a PIN. */
export type Credentials = { name: string; passphrase: string } | { person: number; pin: string }

/** Signs somebody in. @returns the token that their browser keeps. @throws Problem bad-input, too-many */
export async function signIn(caller: Caller, credentials: Credentials, browser: string): Promise<string> {
  await useDb()
  const row = 'pin' in credentials ? await byPin(caller, credentials) : await byPassphrase(credentials)
  return openSession(caller, row.id, browser)
}

/** Lets somebody in who has shown who they are; who was signed in there is not any more. @returns the token */
export async function openSession(caller: Caller, personId: number, browser: string): Promise<string> {
  const token = makeToken()
  if (caller.session) await endSession(caller.session)
  await SessionRow.create({
    id: randomUUID(),
    tokenHash: hashOf(token),
    personId,
    deviceId: caller.device?.id ?? null,
    browser: browser.slice(0, 200),
    endsAt: sessionEnd(caller.device !== null)
  })
  return token
}

async function byPin({ device }: Caller, { person, pin }: { person: number; pin: string }): Promise<PersonRow> {
  if (!device) throw new Problem('forbidden', told('pin-on-paired-device'))
  await countPatiently(pinKey(person))
  const row = await PersonRow.findOne({ where: { id: person, retiredAt: null as never } })
  if (!(await isSecret(pin, row?.pin ?? null)) || !row) throw wrong('pin', 'wrong-pin')
  await forgetTries(pinKey(person))
  return row
}

async function byPassphrase({ name, passphrase }: { name: string; passphrase: string }): Promise<PersonRow> {
  await countPatiently(passphraseKey(name))
  const id = await personOfName(name)
  const row = id === null ? null : await PersonRow.findByPk(id)
  if (!(await isSecret(passphrase, row?.passphrase ?? null)) || !row)
    throw wrong('passphrase', 'wrong-name-or-passphrase')
  await forgetTries(passphraseKey(name))
  return row
}

function wrong(place: string, code: 'wrong-pin' | 'wrong-name-or-passphrase'): Problem {
  return new Problem('bad-input', told(code), [{ place, ...told(code) }])
}

/** Ends a session, at once on this server and within seconds on others. */
export async function endSession(id: string): Promise<void> {
  await SessionRow.destroy({ where: { id } })
  forgetCallers()
}

/** Ends a session of one's own, or of anybody for an owner. @throws Problem not-found */
export async function endListed(caller: Caller, id: string): Promise<void> {
  const row = isUuid(id) ? await SessionRow.findByPk(id) : null
  const mine = row !== null && row.personId === caller.person?.id
  if (!row || !(mine || suffices(roleOf(caller), 'owner'))) throw new Problem('not-found', told('no-such-session'))
  await endSession(id)
}

/** Sessions of one's own; of everybody for an owner. The one used last comes first. */
export async function listSessions(caller: Caller): Promise<ListedSession[]> {
  await useDb()
  const everybody = suffices(roleOf(caller), 'owner')
  const rows = await SessionRow.findAll({
    where: { endsAt: { [Op.gt]: new Date() }, ...(everybody ? {} : { personId: caller.person?.id ?? 0 }) },
    order: [['seenAt', 'DESC']],
    limit: 200
  })
  const people = new Map((await PersonRow.findAll({ attributes: ['id', 'name', 'role'] })).map((one) => [one.id, one]))
  const devices = new Map((await DeviceRow.findAll({ attributes: ['id', 'name'] })).map((one) => [one.id, one.name]))
  return rows.map(({ id, personId, deviceId, browser, madeAt, seenAt }) => ({
    id,
    person: people.get(personId)?.name ?? '',
    role: people.get(personId)?.role ?? 'learner',
    device: deviceId === null ? null : (devices.get(deviceId) ?? ''),
    browser,
    madeAt: madeAt.toISOString(),
    seenAt: seenAt.toISOString(),
    mine: id === caller.session
  }))
}

/** What a page knows of who asks, before anything else. */
export interface Me {
  open: boolean
  /** Made up, to try things on. */
  demo: boolean
  /** Where other devices, and customers, reach it; null where only this machine does. */
  origin: string | null
  customers: string | null
  workshop: string
  person: { id: number; name: string; role: Role; seal: string } | null
  device: { name: string } | null
  /** The last erasing: what a device kept of answers before it is let go. */
  erased: string
  /** Who can take over on this device. */
  people: { id: number; name: string }[]
}

async function lastErasure(): Promise<string> {
  const row = await ErasureRow.findOne({ attributes: ['id'], order: [['erasedAt', 'DESC']] })
  return row?.id ?? ''
}

/** Who asks, and on a paired device who else could. */
export async function whoAsks(caller: Caller, workshop: string): Promise<Me> {
  const { open, person, device } = caller
  const rows = device
    ? await PersonRow.findAll({
        where: { retiredAt: null as never, pin: { [Op.ne]: null } as never },
        attributes: ['id', 'name'],
        order: [['name', 'ASC']]
      })
    : []
  return {
    open,
    demo: process.env.UMBRETTE_DEMO === '1',
    ...reachedAt(),
    workshop,
    person: person && { id: person.id, name: person.name, role: person.role, seal: person.seal },
    device: device && { name: device.name },
    erased: await lastErasure(),
    people: rows.map(({ id, name }) => ({ id, name }))
  }
}
