// A running server for who works on Umbrette: its own database with the demo in it, made anew as sources change.
import { spawn } from 'node:child_process'
import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { workshopDatabase } from './database.mjs'
import { stopPostgres } from './postgres.mjs'
import { freePort, say } from './run.mjs'

const FIRST_PORT = 4390

/** Runs until it is ended with Ctrl-C; then the database stops too. What was entered is there the next time. */
export async function dev(dataFolder) {
  const folder = join(dataFolder, 'dev')
  mkdirSync(folder, { recursive: true })
  const { app, owner } = await workshopDatabase(folder)
  const port = await freePort(Number(process.env.PORT) || FIRST_PORT)
  say(`Umbrette for developers: http://127.0.0.1:${port}/ (end with Ctrl-C)`)
  const env = {
    ...process.env,
    DATABASE_URL: app,
    UMBRETTE_OWNER_URL: owner,
    UMBRETTE_DEMO: '1',
    UMBRETTE_LOG: process.env.UMBRETTE_LOG ?? 'warn',
    NUXT_TELEMETRY_DISABLED: '1'
  }
  // A group of its own: it starts others, which all end with it.
  const child = spawn(
    process.execPath,
    ['node_modules/nuxt/bin/nuxt.mjs', 'dev', '--host', '127.0.0.1', '--port', String(port)],
    { stdio: 'inherit', env, detached: true }
  )
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => process.kill(-child.pid, 'SIGTERM'))
  const code = await new Promise((done) => child.once('exit', (ended) => done(ended ?? 0)))
  await stopPostgres(folder)
  return code
}
