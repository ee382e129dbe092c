// Programs of PostgreSQL, and what is asked of a database by them: nothing of npm need be there.
import { join } from 'node:path'
import { postgresPrograms } from './packages.mjs'
import { run, Stop } from './run.mjs'

/** Roles of the workshop's database: who owns it, and who uses it. */
export const OWNER = 'umbrette_owner'
export const APP = 'umbrette_app'

export function program(name) {
  const folder = postgresPrograms()
  if (!folder) throw new Stop("PostgreSQL's programs are not installed: run ./umbrette start once.")
  return join(folder, name)
}

/** How a program reaches a database. The password goes by the environment, which no list of processes shows. */
export function reach(url) {
  const { hostname, port, username, password, pathname } = new URL(url)
  return {
    args: [
      `--host=${hostname}`,
      `--port=${port || 5432}`,
      `--username=${decodeURIComponent(username)}`,
      `--dbname=${decodeURIComponent(pathname.slice(1)) || 'postgres'}`
    ],
    options: {
      quiet: true,
      env: { ...process.env, PGPASSWORD: decodeURIComponent(password), PGOPTIONS: '-c client_min_messages=warning' }
    }
  }
}

/** Runs statements and returns what they answer, a row a line. */
export async function query(url, statements) {
  const { args, options } = reach(url)
  const { code, output } = await run(
    program('psql'),
    [...args, '--no-psqlrc', '--quiet', '--tuples-only', '--no-align', '--set=ON_ERROR_STOP=1', '--file=-'],
    { ...options, input: statements }
  )
  if (code !== 0) throw new Stop(`The database refused: ${shortened(output)}`)
  return output.trim()
}

/** A name as it may stand in a statement. */
export function quoted(name) {
  return `"${name.replaceAll('"', '""')}"`
}

/** A new, empty database of the owner's. */
export async function makeDatabase(admin, name) {
  const owner =
    new URL(admin).username === 'umbrette' &&
    (await query(admin, `select 1 from pg_roles where rolname = '${OWNER}'`)) === '1'
      ? ` owner ${OWNER}`
      : ''
  await query(admin, `create database ${quoted(name)}${owner}`)
  if (owner)
    await query(
      admin,
      `revoke connect on database ${quoted(name)} from public; grant connect on database ${quoted(name)} to ${APP}`
    )
}

export function as(url, user, password, database) {
  const other = new URL(url)
  Object.assign(other, { username: user, password, pathname: `/${database}` })
  return other.href
}

/** The end of what a program said, without passwords. */
export function shortened(text) {
  return text
    .replaceAll(/:\/\/[^@\s]*@/g, '://…@')
    .trim()
    .split('\n')
    .slice(-8)
    .map((line) => line.slice(0, 300))
    .join('\n')
}

/** People who may do everything and can sign in. @param {string} url of a workshop's database */
export async function countOwners(url) {
  const owners = "select count(*) from people where role = 'owner' and passphrase is not null and retired_at is null"
  return Number(await query(url, owners))
}
