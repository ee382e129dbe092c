// The application's own server process.
import { spawn } from 'node:child_process'
import { closeSync, openSync, readFileSync, rmSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { homeOf, worksIn } from './home.mjs'
import { freePort, isRunning, Stop, until } from './run.mjs'
import { readWhole, writeWhole } from './whole.mjs'

export const FIRST_PORT = 4380
const ENTRY = '.output/server/index.mjs'

/** Files of a server by what it serves: the demo and the workshop's own may run beside each other. */
const MARKS = { demo: 'server', own: 'own-server' }

/** The file in which erasings are noted beside the database. @param {'own' | 'demo'} kind */
export const ledgerOf = (dataFolder, kind = 'demo') => resolve(dataFolder, `${MARKS[kind]}-erased.jsonl`)

/** The running server's process and port, or null. @param {'own' | 'demo'} kind */
export async function runningServer(dataFolder, kind = 'demo') {
  homeOf(dataFolder)
  const server = readWhole(join(dataFolder, `${MARKS[kind]}.json`))
  return server && (await isOurs(server.pid)) ? server : null
}

/** Is a process this folder's server, and not that of the folder it is a copy of? */
async function isOurs(pid) {
  return (await isRunning(pid, ENTRY)) && worksIn(pid, '.')
}

/**
 * Starts the production server and waits until it answers.
 * @param {string | { app: string, owner: string }} database its URL, as who uses it and as who owns it
 * @param {{
 *   kind?: 'own' | 'demo', first?: number, demo?: boolean, doors?: boolean, built?: string, revives?: boolean
 * }} options
 *   `doors`: people sign in, once its owner can;
 *   `built`: the build it runs, kept to tell when there is a newer one;
 *   `revives`: it starts its private database again where that has ended
 */
export async function startServer(
  dataFolder,
  database,
  {
    kind = 'demo',
    first = FIRST_PORT,
    demo = kind === 'demo',
    doors = kind === 'own',
    built = '',
    revives = false
  } = {}
) {
  const { app, owner } = typeof database === 'string' ? { app: database, owner: database } : database
  const port = await freePort(first)
  const said = join(dataFolder, `${MARKS[kind]}.out`)
  rmSync(said, { force: true })
  const output = openSync(said, 'a', 0o600)
  const child = spawn(process.execPath, [ENTRY], {
    detached: true,
    stdio: ['ignore', output, output],
    env: {
      ...process.env,
      NODE_ENV: 'production',
      HOST: '127.0.0.1',
      NITRO_HOST: '127.0.0.1',
      PORT: String(port),
      NITRO_PORT: String(port),
      DATABASE_URL: app,
      UMBRETTE_OWNER_URL: owner,
      UMBRETTE_LOG_FILE: join(dataFolder, `${MARKS[kind]}.log`),
      UMBRETTE_DEMO: demo ? '1' : '0',
      UMBRETTE_DOORS: doors ? 'closed' : 'open',
      UMBRETTE_LEDGER: ledgerOf(dataFolder, kind),
      UMBRETTE_NETWORK: kind === 'own' ? dataFolder : '',
      UMBRETTE_REVIVE: revives ? dataFolder : '',
      NITRO_SHUTDOWN_TIMEOUT: '1500'
    }
  })
  let ended = false
  child.once('exit', () => (ended = true))
  child.unref()
  closeSync(output)
  const server = { pid: child.pid, port, built, address: `http://127.0.0.1:${port}/` }
  writeWhole(join(dataFolder, `${MARKS[kind]}.json`), JSON.stringify(server))
  const healthy = await until(async () => ended || (await answers(server.address)), 60)
  if (healthy && !ended) return server
  const lines = readFileSync(said, 'utf8').trim().split('\n')
  throw new Stop(
    lines.findLast((line) => line.startsWith('The workshop')) ??
      `The server did not start; the end of ${said} says\n${lines.slice(-5).join('\n')}`
  )
}

/** Where the running workshop is reached by others. @returns {Promise<{ origin: string, customers: string }>} */
export async function reachedAt(dataFolder) {
  const { address } = (await runningServer(dataFolder, 'own')) ?? {}
  let reached = null
  const known = await until(async () => {
    reached = address ? await (await fetch(`${address}api/me`)).json().catch(() => null) : null
    return Boolean(reached?.origin)
  }, 15)
  if (known) return reached
  const said = readFileSync(join(dataFolder, `${MARKS.own}.out`), 'utf8')
    .trim()
    .split('\n')
  throw new Stop(said.findLast((line) => line.startsWith('The network')) ?? 'The network is not served.')
}

/** Stops the server; true when it was running. */
export async function stopServer(dataFolder, kind = 'demo') {
  const server = await runningServer(dataFolder, kind)
  if (!server) return false
  process.kill(server.pid, 'SIGTERM')
  if (!(await until(async () => !(await isOurs(server.pid)), 10))) process.kill(server.pid, 'SIGKILL')
  rmSync(join(dataFolder, `${MARKS[kind]}.json`), { force: true })
  return true
}

/** Ends the server at once, as a power cut would, and waits until it is gone and its port is free. */
export async function killServer(dataFolder) {
  const server = await runningServer(dataFolder)
  if (!server) return
  process.kill(server.pid, 'SIGKILL')
  await until(async () => !(await isOurs(server.pid)) && (await freePort(server.port)) === server.port, 20)
}

async function answers(address) {
  try {
    return (await fetch(`${address}api/health`, { signal: AbortSignal.timeout(2000) })).ok
  } catch {
    return false
  }
}
