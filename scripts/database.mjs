// The workshop's database in its cluster: owned by one role, used by another, administered by a third that no request
// ever has.
import { randomBytes } from 'node:crypto'
import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { copyDatabase } from './backup.mjs'
import { backUpNow } from './backups.mjs'
import { knownMigrations } from './migrations.mjs'
import { startPostgres } from './postgres.mjs'
import { say, Stop } from './run.mjs'
import { APP, as, makeDatabase, OWNER, query } from './sql.mjs'
import { writeWhole } from './whole.mjs'

/** The demo's database, and that of the workshop's own once it is set up: never mixed. */
export const DATABASES = { demo: 'workshop', own: 'own_workshop' }
/** File that says that a workshop was set up. */
const SET_UP = 'workshop.json'

/** Which of the two is this folder's: its own once a workshop was set up. @returns {'own' | 'demo'} */
export function kindOf(dataFolder) {
  return existsSync(join(dataFolder, SET_UP)) ? 'own' : 'demo'
}

/** Keeps that a workshop was set up here. */
export function keepSetUp(dataFolder) {
  writeWhole(join(dataFolder, SET_UP), JSON.stringify({ at: new Date().toISOString() }))
}

/**
 * Starts the database and makes what is missing of it.
 * @param {string} dataFolder
 * @param {{ kind?: 'own' | 'demo', fast?: boolean }} options
 * @returns {Promise<{ app: string, owner: string, admin: string }>} its URL as who uses it, who owns it and who
 *   administers it
 */
export async function workshopDatabase(dataFolder, { kind = kindOf(dataFolder), ...options } = {}) {
  if (process.env.DATABASE_URL)
    return { app: process.env.DATABASE_URL, owner: process.env.DATABASE_URL, admin: process.env.DATABASE_URL }
  const admin = await startPostgres(dataFolder, options)
  const passwords = rolePasswords(dataFolder)
  const known = (await query(admin, `select rolname from pg_roles where rolname in ('${OWNER}', '${APP}')`)).split('\n')
  for (const [role, password] of [
    [OWNER, passwords.owner],
    [APP, passwords.app]
  ]) {
    await query(
      admin,
      `${known.includes(role) ? 'alter' : 'create'} role ${role} login nosuperuser nocreatedb nocreaterole password '${password}'`
    )
  }
  const urls = {
    app: as(admin, APP, passwords.app, DATABASES[kind]),
    owner: as(admin, OWNER, passwords.owner, DATABASES[kind]),
    admin
  }
  if ((await query(admin, `select 1 from pg_database where datname = '${DATABASES[kind]}'`)) === '1') return urls
  await makeDatabase(admin, DATABASES[kind])
  if (kind === 'own') return urls
  // Until this version the workshop lay in the database that PostgreSQL itself comes with.
  if ((await query(admin, "select to_regclass('public.jobs') is not null")) === 't') {
    say('Moving the workshop into a database of its own …')
    await copyDatabase(admin, urls.owner)
  }
  return urls
}

function rolePasswords(dataFolder) {
  const file = join(dataFolder, 'postgres.roles')
  if (!existsSync(file))
    writeWhole(file, JSON.stringify({ owner: randomBytes(24).toString('hex'), app: randomBytes(24).toString('hex') }))
  return JSON.parse(readFileSync(file, 'utf8'))
}

/** Backs a workshop up before its schema is changed; one that is up to date, or empty, needs none. */
export async function backupBeforeMigration(dataFolder, { owner }) {
  if ((await query(owner, "select to_regclass('public.migrations') is not null")) !== 't') return null
  const done = (await query(owner, 'select name from migrations order by name')).split('\n').filter(Boolean)
  const newer = done.filter((name) => !knownMigrations().includes(name))
  if (newer.length > 0)
    throw new Stop(
      `This workshop was kept by a newer version of Umbrette (${newer[0]}). Start it with that one; nothing was changed.`
    )
  const pending = knownMigrations().filter((name) => !done.includes(name))
  if (done.length === 0 || pending.length === 0) return null
  say('Backing up before the database is brought up to date …')
  return backUpNow(dataFolder, owner, `before-${pending[0]}`)
}
