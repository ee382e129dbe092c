// The application's own server process.
import { spawn } from 'node:child_process'
import { existsSync, openSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { freePort, isRunning, Stop, until } from './run.mjs'

export const FIRST_PORT = 4380
const ENTRY = '.output/server/index.mjs'

/** The running server's process and port, or null. */
export async function runningServer(dataFolder) {
  const file = join(dataFolder, 'server.json')
  if (!existsSync(file)) return null
  const server = JSON.parse(readFileSync(file, 'utf8'))
  return (await isRunning(server.pid, ENTRY)) ? server : null
}

/**
 * Starts the production server and waits until it answers.
 * @param {{ first?: number, demo?: boolean, built?: string }} options `built`: the build it runs, kept to tell when there is a newer one
 */
export async function startServer(dataFolder, databaseUrl, { first = FIRST_PORT, demo = true, built = '' } = {}) {
  const port = await freePort(first)
  const logFile = join(dataFolder, 'server.log')
  const output = openSync(logFile, 'a')
  const child = spawn(process.execPath, [ENTRY], {
    detached: true, stdio: ['ignore', output, output],
    env: { ...process.env, NODE_ENV: 'production', HOST: '127.0.0.1', NITRO_HOST: '127.0.0.1', PORT: String(port), NITRO_PORT: String(port), DATABASE_URL: databaseUrl, UMBRETTE_DEMO: demo ? '1' : '0', NITRO_SHUTDOWN_TIMEOUT: '1500' }
  })
  let ended = false
  child.once('exit', () => (ended = true))
  child.unref()
  const server = { pid: child.pid, port, built, address: `http://127.0.0.1:${port}/` }
  writeFileSync(join(dataFolder, 'server.json'), JSON.stringify(server))
  const healthy = await until(async () => ended || (await answers(server.address)), 60)
  if (healthy && !ended) return server
  const lines = readFileSync(logFile, 'utf8').trim().split('\n').slice(-5).join('\n')
  throw new Stop(`The server did not start; the end of ${logFile} says\n${lines}`)
}

/** Stops the server; true when it was running. */
export async function stopServer(dataFolder) {
  const server = await runningServer(dataFolder)
  if (!server) return false
  process.kill(server.pid, 'SIGTERM')
  if (!(await until(async () => !(await isRunning(server.pid, ENTRY)), 10))) process.kill(server.pid, 'SIGKILL')
  rmSync(join(dataFolder, 'server.json'), { force: true })
  return true
}

/** Ends the server at once, as a power cut would, and waits until it is gone and its port is free. */
export async function killServer(dataFolder) {
  const server = await runningServer(dataFolder)
  if (!server) return
  process.kill(server.pid, 'SIGKILL')
  await until(async () => !(await isRunning(server.pid, ENTRY)) && (await freePort(server.port)) === server.port, 20)
}

async function answers(address) {
  try {
    return (await fetch(`${address}api/health`, { signal: AbortSignal.timeout(2000) })).ok
  } catch {
    return false
  }
}
