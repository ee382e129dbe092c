// A whole workshop into one file and back: PostgreSQL's own dump, jobs and photos and all.
import { randomBytes } from 'node:crypto'
import { existsSync, readFileSync, renameSync, rmSync, statSync } from 'node:fs'
import { resolve } from 'node:path'
import { knownMigrations } from './migrations.mjs'
import { run, runWithDatabase, Stop } from './run.mjs'
import { APP, as, makeDatabase, OWNER, program, query, quoted, reach, shortened } from './sql.mjs'

/** Workshops as they were before a restore that are kept in the cluster. */
const KEPT = 2

/**
 * Writes the database to a file that its owner alone can read: whole, or not at all.
 * @returns {Promise<number>} its size in bytes
 */
export async function backup(url, file) {
  if (existsSync(file)) throw new Stop(`${file} is there already: choose another name.`)
  const unfinished = `${file}.unfinished`
  const { args, options } = reach(url)
  const before = process.umask(0o077)
  const dumping = run(
    program('pg_dump'),
    [...args, '--format=custom', '--no-owner', '--no-privileges', `--file=${unfinished}`],
    options
  )
  process.umask(before)
  const { code, output } = await dumping
  if (code !== 0) {
    rmSync(unfinished, { force: true })
    throw new Stop(`The backup was not made.\n${shortened(output)}`)
  }
  renameSync(unfinished, file)
  return statSync(file).size
}

/** One database's contents into another, which is empty. */
export async function copyDatabase(from, to) {
  const file = resolve('.data', `move-${randomBytes(4).toString('hex')}.backup`)
  try {
    await backup(from, file)
    await fill(to, file)
  } finally {
    rmSync(file, { force: true })
  }
}

/** Puts a file into an empty database, as its owner: whatever the file would run runs with no more rights than that. */
async function fill(url, file) {
  const { args, options } = reach(url)
  const { code, output } = await run(
    program('pg_restore'),
    [...args, '--no-owner', '--no-privileges', '--single-transaction', '--exit-on-error', file],
    options
  )
  if (code !== 0) throw new Stop(`The backup was not restored; everything is as it was.\n${shortened(output)}`)
}

/**
 * Puts the workshop back as a file has it: into a fresh database, which is brought up to date and looked through, and
 * only then takes the place of the other. A server that runs goes on with it. When anything fails, everything stays as
 * it is. What was erased since the file was made is erased again.
 * @param {{ owner: string, admin: string }} urls
 * @param {string} ledger the file in which erasings are noted beside the database
 */
export async function restore({ owner, admin }, file, ledger = '') {
  if (!existsSync(file)) throw new Stop(`There is no ${file}.`)
  const listed = await run(program('pg_restore'), ['--list', file], { quiet: true })
  if (listed.code !== 0 || !/TABLE DATA public acts/.test(listed.output))
    throw new Stop(`${file} is no backup of a workshop. Nothing was changed.`)
  const target = new URL(owner)
  const name = decodeURIComponent(target.pathname.slice(1))
  const stamp = `${new Date().toISOString().replaceAll(/\D/g, '').slice(0, 14)}_${randomBytes(2).toString('hex')}`
  const fresh = `${name}_fresh_${stamp}`
  await dropLeft(admin, name)
  await makeDatabase(admin, fresh)
  try {
    const url = as(owner, target.username, target.password, fresh)
    await fill(url, file)
    await bringUpToDate(url)
    await keepOut(owner, url)
    await eraseAgain(owner, url, ledger)
    await swap(admin, name, fresh, `${name}_before_${stamp}`)
  } catch (error) {
    await query(admin, `drop database if exists ${quoted(fresh)} with (force)`)
    throw error
  }
  await dropOld(admin, name)
}

/** Who was signed in then is not signed in now, and a device that was taken out since stays out. */
async function keepOut(owner, url) {
  await query(url, 'delete from sessions; delete from pairings')
  for (const table of ['devices', 'passkeys']) await keepRemoved(owner, url, table)
}

async function keepRemoved(owner, url, table) {
  if ((await query(owner, `select to_regclass('public.${table}') is not null`)) !== 't') return
  const out = (await query(owner, `select id from ${table} where removed_at is not null`)).split('\n').filter(Boolean)
  if (out.length > 0)
    await query(url, `update ${table} set removed_at = now() where removed_at is null and id in ('${out.join("','")}')`)
}

async function eraseAgain(owner, url, ledger) {
  const known = [...(await erasuresIn(owner)), ...erasuresNoted(ledger)]
  const entries = [...new Map(known.map((entry) => [entry.id, entry])).values()]
  if (entries.length === 0) return
  const otherwise = 'What was erased since could not be erased again; everything is as it was.'
  await runWithDatabase(url, 'scripts/erase.ts', entries, otherwise)
}

async function erasuresIn(url) {
  if ((await query(url, "select to_regclass('public.erasures') is not null")) !== 't') return []
  const entry = `json_build_object('id', id, 'kind', kind, 'by', erased_by, 'rows', rows, 'left', left_rows,
    'at', to_char(erased_at at time zone 'utc', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"'))`
  return JSON.parse((await query(url, `select coalesce(json_agg(${entry}), '[]') from erasures`)) || '[]')
}

/** Erasings noted beside the database; a line that was not finished, as the machine went down, is none. */
function erasuresNoted(file) {
  if (!file || !existsSync(file)) return []
  return readFileSync(file, 'utf8')
    .split('\n')
    .flatMap((line) => {
      try {
        return line ? [JSON.parse(line)] : []
      } catch {
        return []
      }
    })
}

/** Lets go of workshops as they were before a restore that hold what was erased since. */
export async function dropErased(admin, owner, ledger) {
  const newest = erasuresNoted(ledger)
    .map(({ at }) => at.replaceAll(/\D/g, '').slice(0, 14))
    .sort()
    .at(-1)
  if (!newest) return
  const name = decodeURIComponent(new URL(owner).pathname.slice(1))
  for (const old of await databasesBefore(admin, name))
    if (old.slice(`${name}_before_`.length).slice(0, 14) <= newest)
      await query(elsewhere(admin, name), `drop database ${quoted(old)}`)
}

/** Refuses what a newer version kept, migrates what an older one did, and looks whether all of it can be read. */
async function bringUpToDate(url) {
  const done = (await query(url, 'select name from migrations order by name')).split('\n').filter(Boolean)
  const newer = done.filter((name) => !knownMigrations().includes(name))
  if (newer.length > 0)
    throw new Stop(
      `This backup was made by a newer version of Umbrette (${newer[0]}). Restore it with that one; nothing was changed.`
    )
  const app = new URL(url).username === OWNER ? APP : ''
  const { code, output } = await run('npx', ['--no-install', 'tsx', 'scripts/migrate.ts'], {
    quiet: true,
    env: { ...process.env, DATABASE_URL: url, UMBRETTE_ROLE: app, UMBRETTE_LOG: 'silent' }
  })
  if (code !== 0)
    throw new Stop(`The backup could not be brought up to date; everything is as it was.\n${shortened(output)}`)
}

/** Who renames or drops a database must not be in it. */
function elsewhere(admin, name) {
  const { username, password } = new URL(admin)
  return as(admin, username, password, name === 'postgres' ? 'template1' : 'postgres')
}

async function swap(admin, name, fresh, old) {
  const end = `select pg_terminate_backend(pid) from pg_stat_activity where datname in ('${name}', '${fresh}') and pid <> pg_backend_pid()`
  // In one transaction: there is always one of that name. Who is let in again meanwhile is let go again.
  for (let attempt = 1; ; attempt++) {
    try {
      return await query(
        elsewhere(admin, name),
        `begin; ${end}; alter database ${quoted(name)} rename to ${quoted(old)}; alter database ${quoted(fresh)} rename to ${quoted(name)}; commit`
      )
    } catch (error) {
      if (attempt === 20) throw error
    }
  }
}

/** What restores that were ended in the middle left behind. */
async function dropLeft(admin, name) {
  const left = (
    await query(elsewhere(admin, name), `select datname from pg_database where datname like '${name}\\_fresh\\_%'`)
  )
    .split('\n')
    .filter(Boolean)
  for (const one of left) await query(elsewhere(admin, name), `drop database if exists ${quoted(one)} with (force)`)
}

/** Workshops as they were before a restore, the newest first. */
async function databasesBefore(admin, name) {
  const listed = await query(
    elsewhere(admin, name),
    `select datname from pg_database where datname like '${name}\\_before\\_%' order by datname desc`
  )
  return listed.split('\n').filter(Boolean)
}

async function dropOld(admin, name) {
  for (const one of (await databasesBefore(admin, name)).slice(KEPT))
    await query(elsewhere(admin, name), `drop database ${quoted(one)}`)
}
