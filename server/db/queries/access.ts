import type { Role } from '../../../core/record'
import { run, select } from './select'

/** Who a session is of, and on which of the workshop's devices. */
export interface SessionFound {
  session: string
  id: number
  name: string
  former: string[]
  role: Role
  seal: string
  device: string | null
  deviceName: string | null
}

/**
 * Whose session a token's hash is of: not one that has ended, of somebody who left, or on a device that was taken out.
 */
export async function sessionOf(tokenHash: string): Promise<SessionFound | null> {
  const [row] = await select<SessionFound>(
    `select s.id as session, p.id, p.name, p.former, p.role, p.seal, d.id as device, d.name as "deviceName"
     from sessions s join people p on p.id = s.person_id left join devices d on d.id = s.device_id
     where s.token_hash = $1 and s.ends_at > now() and p.retired_at is null and (s.device_id is null or d.removed_at is null)`,
    [tokenHash]
  )
  return row ?? null
}

/** Who signs in under a name, however it is spelt in capitals; null for nobody who works here. */
export async function personOfName(name: string): Promise<number | null> {
  const [row] = await select<{ id: number }>(
    'select id from people where lower(name) = lower($1) and retired_at is null',
    [name]
  )
  return row?.id ?? null
}

/** Notes that a session, and its device, were in use. */
export async function seeSession(session: string): Promise<void> {
  await run('update sessions set seen_at = now() where id = $1', [session])
  await run('update devices set seen_at = now() where id = (select device_id from sessions where id = $1)', [session])
}

/** Is there somebody who may everything and can sign in? Before, a workshop is open on its own machine. */
export async function hasOwner(): Promise<boolean> {
  const found = await select(
    "select 1 from people where role = 'owner' and passphrase is not null and retired_at is null limit 1",
    []
  )
  return found.length > 0
}

/**
 * Counts a try before it is looked at; after the fifth the next has to wait, twice as long each time, up to an hour. In
 * one statement, so that two servers count together.
 * @returns seconds to wait; 0 where the try may be looked at
 */
export async function countTry(key: string): Promise<number> {
  const counted = await select(
    `insert into tries as t (key, failed, next_at) values ($1, 1, now())
     on conflict (key) do update set
       failed = case when t.next_at < now() - interval '1 day' then 1 else t.failed + 1 end,
       next_at = now() + case when t.next_at >= now() - interval '1 day' and t.failed + 1 >= 5
         then least(3600, 15 * 2 ^ (t.failed - 4)) else 0 end * interval '1 second'
     where t.next_at <= now()
     returning failed`,
    [key]
  )
  if (counted.length > 0) return 0
  const [row] = await select<{ wait: string }>(
    'select ceil(extract(epoch from next_at - now())) as wait from tries where key = $1',
    [key]
  )
  return Math.max(1, Number(row?.wait ?? 1))
}

/** The right one was found: what was tried before no longer counts. */
export async function forgetTries(key: string): Promise<void> {
  await run('delete from tries where key = $1', [key])
}

/**
 * Takes a pairing once: nobody can use it again. @returns its device's name and who made it; null for none that is good
 */
export async function takePairing(codeHash: string): Promise<{ name: string; madeBy: string } | null> {
  const [row] = await select<{ name: string; madeBy: string }>(
    'delete from pairings where code_hash = $1 and ends_at > now() returning name, made_by as "madeBy"',
    [codeHash]
  )
  return row ?? null
}

/** Takes a challenge once. @returns who it was made for, null for signing in; undefined for none that is good */
export async function takeChallenge(hash: string): Promise<number | null | undefined> {
  const [row] = await select<{ person: number | null }>(
    'delete from challenges where hash = $1 and ends_at > now() returning person_id as person',
    [hash]
  )
  return row?.person
}

/** Removes what is long over. */
export async function tidyAccess(): Promise<void> {
  await run('delete from challenges where ends_at < now()', [])
  await run("delete from pairings where ends_at < now() - interval '1 day'", [])
  await run('delete from sessions where ends_at < now()', [])
  await run("delete from tries where next_at < now() - interval '7 days'", [])
}
