import { deleteCookie, getCookie, setCookie, type H3Event } from 'h3'
import { LRUCache } from 'lru-cache'
import { type Role, suffices } from '../../core/record'
import { told } from '../../words/problems'
import { useDb } from '../db/connection'
import { DeviceRow } from '../db/models'
import { hasOwner, seeSession, sessionOf, type SessionFound } from '../db/queries/access'
import { log } from '../utils/log'
import { Problem } from '../utils/problem'
import { hashOf } from './secrets'

/** Who asks. On an open workshop everybody may what its owner may. */
export interface Caller {
  open: boolean
  person: { id: number; name: string; names: readonly string[]; role: Role; seal: string } | null
  /** The workshop's device that is asked from. */
  device: { id: string; name: string } | null
  session: string | null
}

export const COOKIES = { session: '__Host-umbrette', device: '__Host-umbrette-device' } as const

/** ms for which what is known of a token holds: so long may what another server ended go on. */
const KNOWN_MS = 10_000
const SEEN_MS = 300_000
const sessions = new LRUCache<string, { found: SessionFound | null }>({ max: 2000, ttl: KNOWN_MS })
const devices = new LRUCache<string, { found: Caller['device'] }>({ max: 500, ttl: KNOWN_MS })
const seen = new LRUCache<string, true>({ max: 2000, ttl: SEEN_MS })
const doors = new LRUCache<'closed', boolean>({ max: 1, ttl: KNOWN_MS })

/** Something changed about who may come in: what was known of it no longer holds. */
export function forgetCallers(): void {
  for (const known of [sessions, devices, doors]) known.clear()
}

/** Must people sign in? The demo is open; a workshop of one's own from when its owner can sign in. */
export async function isClosed(): Promise<boolean> {
  if (process.env.UMBRETTE_DOORS !== 'closed') return false
  const known = doors.get('closed')
  if (known !== undefined) return known
  await useDb()
  const closed = await hasOwner()
  doors.set('closed', closed)
  return closed
}

/** Who sent a request, looked up once. */
export async function callerOf(event: H3Event): Promise<Caller> {
  const known = event.context.caller as Caller | undefined
  if (known) return known
  const caller = await lookUp(getCookie(event, COOKIES.session), getCookie(event, COOKIES.device))
  event.context.caller = caller
  return caller
}

async function lookUp(session = '', device = ''): Promise<Caller> {
  if (!(await isClosed())) return { open: true, person: null, device: null, session: null }
  const found = session ? await findSession(hashOf(session)) : null
  if (!found)
    return { open: false, person: null, device: device ? await findDevice(hashOf(device)) : null, session: null }
  const { id, name, former, seal } = found
  // A PIN is short: what only an owner may is not done on a device that others use.
  const role = found.device !== null && found.role === 'owner' ? 'foreman' : found.role
  return {
    open: false,
    person: { id, name, names: [name, ...former], role, seal },
    device: found.device === null ? null : { id: found.device, name: found.deviceName ?? '' },
    session: found.session
  }
}

async function findSession(hash: string): Promise<SessionFound | null> {
  const known = sessions.get(hash)
  if (known) return known.found
  const found = await sessionOf(hash)
  sessions.set(hash, { found })
  if (found && !seen.has(found.session)) {
    seen.set(found.session, true)
    seeSession(found.session).catch((error: unknown) => log.warn({ err: error }, 'a session was not noted as seen'))
  }
  return found
}

async function findDevice(hash: string): Promise<Caller['device']> {
  const known = devices.get(hash)
  if (known) return known.found
  const row = await DeviceRow.findOne({ where: { tokenHash: hash, removedAt: null as never } })
  const found = row ? { id: row.id, name: row.name } : null
  devices.set(hash, { found })
  return found
}

/** Lets in who may what a role may. @throws Problem sign-in, forbidden */
export async function admit(event: H3Event, needed: Role): Promise<Caller> {
  const caller = await callerOf(event)
  if (caller.open) return caller
  if (!caller.person) throw new Problem('sign-in', told('sign-in-first'))
  if (!suffices(caller.person.role, needed)) throw new Problem('forbidden', told('needs-role', { role: needed }))
  return caller
}

/** Who asks, as somebody who is signed in. @throws Problem forbidden where nobody signs in */
export async function signedInPerson(
  event: H3Event
): Promise<{ caller: Caller; person: NonNullable<Caller['person']> }> {
  const caller = await callerOf(event)
  if (!caller.person) throw new Problem('forbidden', told('nobody-signs-in'))
  return { caller, person: caller.person }
}

/** Is who opened a long connection still signed in? Looked up again. */
export async function isStillIn(event: H3Event): Promise<boolean> {
  const now = await lookUp(getCookie(event, COOKIES.session), getCookie(event, COOKIES.device))
  return now.open || now.person !== null
}

/** What a caller may. */
export function roleOf({ open, person }: Caller): Role | null {
  return open ? 'owner' : (person?.role ?? null)
}

/** Something is entered under one's own names alone. @throws Problem forbidden for another's */
export function checkName(names: readonly string[], name: string): void {
  if (names.includes(name)) return
  throw new Problem('forbidden', told('not-your-name', { name: names[0] ?? '' }), [
    { place: 'by', ...told('your-own-name') }
  ])
}

/** ms that a session lasts: a working day on a device that is shared, a month on one's own. */
const LASTS = { shared: 12 * 3_600_000, own: 30 * 86_400_000, device: 3650 * 86_400_000 }

/** When a session that begins now ends. */
export function sessionEnd(shared: boolean): Date {
  return new Date(Date.now() + (shared ? LASTS.shared : LASTS.own))
}

/** Gives the browser a token that no page can read and no other site can have sent. */
export function giveCookie(event: H3Event, which: keyof typeof COOKIES, token: string, shared = false): void {
  const lasts = which === 'device' ? LASTS.device : shared ? LASTS.shared : LASTS.own
  setCookie(event, COOKIES[which], token, {
    httpOnly: true,
    secure: true,
    sameSite: 'strict',
    path: '/',
    maxAge: Math.min(lasts / 1000, 400 * 86_400)
  })
}

export function takeCookie(event: H3Event, which: keyof typeof COOKIES): void {
  deleteCookie(event, COOKIES[which], { httpOnly: true, secure: true, sameSite: 'strict', path: '/' })
}
