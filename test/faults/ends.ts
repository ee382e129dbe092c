import { spawn } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { existsSync, mkdirSync, rmSync, statSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { randomness } from '../../core/math'
import { backup } from '../../scripts/backup.mjs'
import { workshopDatabase } from '../../scripts/database.mjs'
import { stopPostgres } from '../../scripts/postgres.mjs'
import { startServer, stopServer } from '../../scripts/server.mjs'
import { query } from '../../scripts/sql.mjs'
import { jobOf, read } from '../support/jobs'

/** What a run of restores, or of migrations, that were ended in the middle came to. */
export interface Ended {
  ended: number
  /** Of those that were ended, how many had their way. */
  through: number
  /** Times that the workshop was neither as before nor as it should be after. */
  torn: string[]
}

const script = (code: string, env: Record<string, string>) =>
  spawn(process.execPath, ['--input-type=module', '--eval', code], {
    stdio: 'ignore',
    detached: true,
    env: { ...process.env, ...env }
  })

/**
 * Starts a program and ends it, with all its children, after a while, as a power cut would. @returns whether it had
 * ended by itself before, and well
 */
function endAfter(ms: number, start: () => ReturnType<typeof spawn>): Promise<boolean> {
  return new Promise((done) => {
    const child = start()
    const timer = setTimeout(() => {
      try {
        process.kill(-child.pid!, 'SIGKILL')
      } catch {
        // It ended in this moment.
      }
    }, ms)
    child.once('exit', (code) => {
      clearTimeout(timer)
      done(code === 0)
    })
  })
}

async function post(address: string, path: string, body: object): Promise<Response> {
  return fetch(`${address}api/${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
    signal: AbortSignal.timeout(20_000)
  })
}

const saved = (address: string, job: string) =>
  post(address, `jobs/${job}/acts`, {
    id: randomUUID(),
    type: 'read',
    by: 'Maren',
    at: '2026-11-24T08:00:00.000Z',
    reading: read.groove('guide', 0.4)
  })

/**
 * Ends `restore` at random moments while a server runs on the same workshop: it is always whole, as it was or as the
 * backup has it, and goes on taking entries without being started again.
 */
export async function endRestores(place: string, times: number, { seed = 1, firstPort = 4720 } = {}): Promise<Ended> {
  const folder = resolve(place)
  rmSync(join(folder, 'kept.backup'), { force: true })
  mkdirSync(folder, { recursive: true })
  const { uniform } = randomness(seed)
  const urls = await workshopDatabase(folder)
  const { address } = await startServer(folder, urls, { first: firstPort, demo: false })
  const outcome: Ended = { ended: 0, through: 0, torn: [] }
  try {
    const { id } = (await (
      await post(address, 'jobs/import?by=Maren', jobOf([read.groove('guide', 0.4), read.extension(9)]))
    ).json()) as { id: string }
    await backup(urls.owner, join(folder, 'kept.backup'))
    const count = async () => Number(await query(urls.owner, `select count(*) from acts where job_id = '${id}'`))
    const kept = await count()
    const code = `const { restore } = await import(${JSON.stringify(resolve('scripts/backup.mjs'))}); await restore(${JSON.stringify(urls)}, ${JSON.stringify(join(folder, 'kept.backup'))})`
    for (let k = 0; k < times; k++) {
      await taken(address, id)
      const before = await count()
      const through = await endAfter(300 + 4500 * uniform(), () => script(code, {}))
      outcome.ended++
      outcome.through += through ? 1 : 0
      const after = await count()
      // A restore that was ended just after it had its way has had it.
      if (after !== kept && (through || after !== before))
        outcome.torn.push(`restore ${k}: ${before} entries, ${kept} in the backup, ${after} after`)
    }
    await taken(address, id)
  } finally {
    await stopServer(folder)
    await stopPostgres(folder)
  }
  return outcome
}

/** An entry is taken in, at once or when the server has noticed that its database is another. */
async function taken(address: string, job: string): Promise<void> {
  for (let attempt = 0; ; attempt++) {
    const answer = await saved(address, job).catch(() => null)
    if (answer?.ok) return
    if (attempt > 40) throw new Error(`no entry is taken in: ${answer ? await answer.text() : 'no answer'}`)
    await new Promise((done) => setTimeout(done, 250))
  }
}

/**
 * Ends migrations at random moments: the schema is always as before or as after, and nothing of what was kept is lost.
 */
export async function endMigrations(place: string, times: number, { seed = 1 } = {}): Promise<Ended> {
  const folder = resolve(place)
  mkdirSync(folder, { recursive: true })
  const { uniform } = randomness(seed)
  const urls = await workshopDatabase(folder)
  const outcome: Ended = { ended: 0, through: 0, torn: [] }
  const env = { DATABASE_URL: urls.owner, UMBRETTE_LOG: 'silent' }
  const migrate = () =>
    spawn('npx', ['--no-install', 'tsx', 'scripts/migrate.ts'], {
      stdio: 'ignore',
      detached: true,
      env: { ...process.env, ...env }
    })
  try {
    await endAfter(120_000, migrate)
    const newest = await query(urls.owner, 'select max(name) from migrations')
    for (let k = 0; k < times; k++) {
      await query(urls.owner, 'drop schema public cascade; create schema public')
      const through = await endAfter(500 + 2500 * uniform(), migrate)
      outcome.ended++
      outcome.through += through ? 1 : 0
      const done = await query(
        urls.owner,
        "select coalesce((select count(*) from information_schema.tables where table_schema = 'public'), 0)"
      )
      const last = Number(done) > 0 ? await query(urls.owner, 'select max(name) from migrations') : ''
      if (Number(done) > 0 && last !== newest)
        outcome.torn.push(`migration ${k}: ${done} tables, the newest step "${last}"`)
    }
  } finally {
    await stopPostgres(folder)
  }
  return outcome
}

/** What a full disk came to. */
export interface FullDisk {
  /** Answers by status while it was full. */
  full: Record<number, number>
  words: string
  /** Were entries taken in again once there was room? */
  after: boolean
  /** Of those acknowledged before and while it was full, how many are there. */
  acknowledged: number
  kept: number
  logBytes: number
}

/**
 * Fills the small file system that the workshop lies on with pictures, looks what is said, makes room and looks again.
 */
export async function fillDisk(place: string, picture: Buffer, { firstPort = 4740 } = {}): Promise<FullDisk> {
  const folder = resolve(place)
  const urls = await workshopDatabase(folder)
  const { address } = await startServer(folder, urls, { first: firstPort, demo: false, revives: true })
  const outcome: FullDisk = { full: {}, words: '', after: false, acknowledged: 0, kept: 0, logBytes: 0 }
  try {
    const { id } = (await (await post(address, 'jobs/import?by=Maren', jobOf([]))).json()) as { id: string }
    let refusals = 0
    for (let k = 0; k < 400 && refusals < 15; k++) {
      const answer = await fetch(`${address}api/jobs/${id}/photos?id=${randomUUID()}`, {
        method: 'POST',
        headers: { 'content-type': 'image/jpeg' },
        body: new Uint8Array(picture)
      })
      const text = await answer.text()
      if (answer.ok) outcome.acknowledged++
      else {
        refusals++
        outcome.full[answer.status] = (outcome.full[answer.status] ?? 0) + 1
        outcome.words = (JSON.parse(text) as { error: { message: string } }).error.message
      }
    }
    outcome.logBytes = statSync(join(folder, 'server.log')).size
    if (existsSync(join(folder, 'room'))) rmSync(join(folder, 'room'))
    for (let k = 0; k < 90 && !outcome.after; k++) {
      outcome.after = (await saved(address, id).catch(() => null))?.ok ?? false
      if (!outcome.after) await new Promise((done) => setTimeout(done, 500))
    }
    outcome.kept = Number(await query(urls.owner, `select count(*) from photos where job_id = '${id}'`))
  } finally {
    await stopServer(folder)
    await stopPostgres(folder)
  }
  return outcome
}
