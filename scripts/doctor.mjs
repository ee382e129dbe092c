// Says what is wrong with a workshop's machine, and what to do about it.
import { X509Certificate } from 'node:crypto'
import { existsSync, readFileSync, statfsSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { listBackups } from './backups.mjs'
import { kindOf, workshopDatabase } from './database.mjs'
import { homeOf } from './home.mjs'
import { knownMigrations } from './migrations.mjs'
import { say } from './run.mjs'
import { runningServer } from './server.mjs'
import { countOwners, query } from './sql.mjs'

const DAY_MS = 86_400_000
const ROOM = { least: 2e9, better: 10e9 }
const SECRETS = ['postgres.roles', 'postgres.password', 'network.json', 'network/authority.key', 'network/server.key']

/**
 * @typedef {{ what: string, state: 'well' | 'look' | 'wrong', says: string, todo?: string }} Finding
 * @returns {Promise<Finding[]>}
 */
export async function examine(dataFolder, now = Date.now()) {
  const kind = kindOf(dataFolder)
  const url = await workshopDatabase(dataFolder).then(
    ({ owner }) => owner,
    (error) => error
  )
  return [
    folderOf(dataFolder),
    nodeOf(process.versions.node),
    roomOf(statfsSync(dataFolder)),
    ...(typeof url === 'string'
      ? [{ what: 'database', state: 'well', says: 'answers' }, await versionsOf(url), ...(await peopleOf(url, kind))]
      : [
          {
            what: 'database',
            state: 'wrong',
            says: String(url.message).split('\n')[0],
            todo: 'Look at the log that is named, make room on the disk, and start again: nothing is lost by it.'
          }
        ]),
    await serverOf(dataFolder, kind),
    ...(kind === 'own' ? [backupsOf(listBackups(dataFolder), now)] : []),
    ...certificateOf(dataFolder, now),
    ...secretsOf(dataFolder)
  ]
}

function folderOf(dataFolder) {
  const { copyOf } = homeOf(dataFolder)
  return copyOf
    ? {
        what: 'folder',
        state: 'look',
        says: `a copy of ${join(copyOf, '..')}, with a workshop of its own`,
        todo: 'Go on in the first folder if that is the one you meant; both are kept.'
      }
    : { what: 'folder', state: 'well', says: 'is its own' }
}

function nodeOf(version) {
  const [major = 0, minor = 0] = version.split('.').map(Number)
  const old = major < 20 || (major === 20 && minor < 19)
  return {
    what: 'Node.js',
    state: old ? 'wrong' : 'well',
    says: version,
    ...(old ? { todo: 'Install 20.19 or newer.' } : {})
  }
}

/** @returns {Finding} */
export function roomOf({ bavail, bsize }) {
  const free = bavail * bsize
  const state = free < ROOM.least ? 'wrong' : free < ROOM.better ? 'look' : 'well'
  return {
    what: 'disk',
    state,
    says: `${(free / 1e9).toFixed(1)} GB free`,
    ...(state === 'well' ? {} : { todo: 'Make room: entries wait on the devices while it is full, and backups stop.' })
  }
}

async function versionsOf(url) {
  const done = (await query(url, 'select name from migrations order by name').catch(() => ''))
    .split('\n')
    .filter(Boolean)
  const newer = done.filter((name) => !knownMigrations().includes(name))
  if (newer.length > 0)
    return {
      what: 'version',
      state: 'wrong',
      says: `kept by a newer Umbrette (${newer[0]})`,
      todo: 'Start it with that version.'
    }
  const pending = knownMigrations().length - done.length
  return pending > 0
    ? {
        what: 'version',
        state: 'look',
        says: `${pending} steps behind`,
        todo: './umbrette start brings it up to date.'
      }
    : { what: 'version', state: 'well', says: 'up to date' }
}

async function peopleOf(url, kind) {
  if (kind !== 'own') return []
  const owners = await countOwners(url).catch(() => 0)
  return owners > 0
    ? [{ what: 'people', state: 'well', says: `${owners === 1 ? 'an owner' : `${owners} owners`} can sign in` }]
    : [
        {
          what: 'people',
          state: 'look',
          says: 'nobody has to sign in yet',
          todo: 'Give an owner a passphrase: under People, or ./umbrette person add NAME --role owner'
        }
      ]
}

async function serverOf(dataFolder, kind) {
  const server = await runningServer(dataFolder, kind)
  if (!server) return { what: 'server', state: 'look', says: 'is not running', todo: './umbrette start' }
  const answers = await fetch(`${server.address}api/health`, { signal: AbortSignal.timeout(5000) }).then(
    ({ ok }) => ok,
    () => false
  )
  return answers
    ? { what: 'server', state: 'well', says: server.address }
    : {
        what: 'server',
        state: 'wrong',
        says: `${server.address} does not answer`,
        todo: './umbrette stop, then ./umbrette start'
      }
}

/** @returns {Finding} */
export function backupsOf(backups, now) {
  const [newest] = backups
  const days = newest ? (now - newest.at) / DAY_MS : Infinity
  if (days < 2) return { what: 'backups', state: 'well', says: `${backups.length} kept, the newest ${newest.name}` }
  return {
    what: 'backups',
    state: 'look',
    says: newest ? `the newest is ${Math.floor(days)} days old` : 'none was made yet',
    todo: './umbrette run makes one a day; ./umbrette backup FILE makes one now. Keep some off this machine.'
  }
}

function certificateOf(dataFolder, now) {
  const file = join(dataFolder, 'network', 'server.crt')
  if (!existsSync(join(dataFolder, 'network.json'))) return []
  if (!existsSync(file))
    return [{ what: 'network', state: 'look', says: 'no certificate yet', todo: './umbrette start makes it.' }]
  const days = Math.floor((new Date(new X509Certificate(readFileSync(file)).validTo).getTime() - now) / DAY_MS)
  return days > 20
    ? [{ what: 'network', state: 'well', says: `certificate good for ${days} days` }]
    : [
        {
          what: 'network',
          state: days > 0 ? 'look' : 'wrong',
          says: days > 0 ? `certificate good for ${days} days only` : 'the certificate is over',
          todo: './umbrette stop, then ./umbrette start makes a new one; devices need not be told.'
        }
      ]
}

function secretsOf(dataFolder) {
  const open = SECRETS.filter((name) => {
    const file = join(dataFolder, name)
    return existsSync(file) && (statSync(file).mode & 0o077) !== 0
  })
  return open.length === 0
    ? [{ what: 'secrets', state: 'well', says: "nobody's but this user's" }]
    : [
        {
          what: 'secrets',
          state: 'wrong',
          says: `others can read ${open.join(', ')}`,
          todo: `chmod 600 ${open.map((name) => join(dataFolder, name)).join(' ')}`
        }
      ]
}

const SIGNS = { well: 'ok   ', look: 'look ', wrong: 'WRONG' }

/** Prints what was found. @returns {Promise<number>} exit code: 1 where something is wrong */
export async function doctor(dataFolder) {
  const found = await examine(dataFolder)
  for (const { what, state, says, todo } of found)
    say(`${SIGNS[state]} ${what.padEnd(9)} ${says}${todo ? `\n                → ${todo}` : ''}`)
  return found.some(({ state }) => state === 'wrong') ? 1 : 0
}
