import { randomUUID } from 'node:crypto'
import { mkdirSync } from 'node:fs'
import { resolve } from 'node:path'
import { randomness } from '../../core/random'
import { killPostgres, startPostgres, stopPostgres } from '../../scripts/postgres.mjs'
import { killServer, startServer, stopServer } from '../../scripts/server.mjs'
import { jobOf, read } from '../support/jobs'

/** What a run of kills came to. */
export interface Outcome {
  kills: { server: number; database: number }
  acknowledged: number
  /** Acts sent more than once, as their answer did not come. */
  repeated: number
  missing: string[]
  doubled: string[]
  /** Readings that are not what was sent. */
  altered: string[]
}

const CLIENTS = 6
/** A server that has not come back after this long will not. */
const PATIENCE_MS = 30_000

/**
 * Hard-kills the server and PostgreSQL in turn, each at a random moment of a burst of saves by several clients, starts them
 * again, and at the end compares what was acknowledged with what is kept. Clients send as the page does: an act keeps its id
 * and is sent again until it is answered.
 * @param place where the run's own database and server are kept
 */
export async function killAtRandom(place: string, kills: number, { seed = 1, firstPort = 4780 } = {}): Promise<Outcome> {
  const folder = resolve(place)
  mkdirSync(folder, { recursive: true })
  const { uniform } = randomness(seed)
  const database = await startPostgres(folder)
  let server = await startServer(folder, database, { first: firstPort, demo: false })
  const { address } = server
  const outcome: Outcome = { kills: { server: 0, database: 0 }, acknowledged: 0, repeated: 0, missing: [], doubled: [], altered: [] }
  const jobs = await Promise.all(Array.from({ length: 2 }, () => newJob(address)))
  const sent = new Map<string, { job: string; value: number; acknowledged: boolean }>()
  let running = true

  const client = async (n: number) => {
    for (let i = 0; running; i++) {
      const job = jobs[(n + i) % jobs.length]!
      const id = randomUUID()
      const value = Math.round(1000 * ((n + 1) * 0.01 + (i % 900) / 1000)) / 1000
      sent.set(id, { job, value, acknowledged: false })
      for (let tries = 0; ; tries++) {
        if (tries > 0) outcome.repeated++
        if (await save(address, job, id, value)) break
        if (!running && tries > 100) return
        await pause(15)
      }
      sent.get(id)!.acknowledged = true
      outcome.acknowledged++
    }
  }
  const clients = Array.from({ length: CLIENTS }, (_, n) => client(n))

  try {
    for (let k = 0; k < kills; k++) await strike(k)
    running = false
    await Promise.all(clients)
    await compare(address, jobs, sent, outcome)
  } finally {
    running = false
    await stopServer(folder)
    await stopPostgres(folder)
  }
  return outcome

  async function strike(k: number): Promise<void> {
    // Some saves must have gone through since the last start, then any moment will do.
    const before = outcome.acknowledged
    const patience = Date.now() + PATIENCE_MS
    while (outcome.acknowledged < before + 1) {
      if (Date.now() > patience) throw new Error(`no act was acknowledged within ${PATIENCE_MS / 1000} s after kill ${k}`)
      await pause(3)
    }
    await pause(120 * uniform())
    if (uniform() < 0.5) {
      await killServer(folder)
      outcome.kills.server++
      server = await startServer(folder, database, { first: server.port, demo: false })
    } else {
      await killPostgres(folder)
      outcome.kills.database++
      await startPostgres(folder)
    }
  }
}

async function newJob(address: string): Promise<string> {
  const answer = await fetch(`${address}api/jobs/import?by=Maren`, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(jobOf([])) })
  return ((await answer.json()) as { id: string }).id
}

/** Was the act acknowledged? Any other answer, or none, is no acknowledgement. */
async function save(address: string, job: string, id: string, value: number): Promise<boolean> {
  const act = { id, type: 'read', by: 'Maren', at: '2026-11-24T08:00:00.000Z', reading: read.groove('guide', value) }
  try {
    const answer = await fetch(`${address}api/jobs/${job}/acts`, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(act), signal: AbortSignal.timeout(8000) })
    const body = (await answer.json()) as { act?: { id: string } }
    return answer.ok && body.act?.id === id
  } catch {
    return false
  }
}

async function compare(address: string, jobs: readonly string[], sent: ReadonlyMap<string, { job: string; value: number; acknowledged: boolean }>, outcome: Outcome): Promise<void> {
  const kept = new Map<string, number[]>()
  for (const job of jobs) {
    const { acts } = (await (await fetch(`${address}api/jobs/${job}/export`)).json()) as { acts: { id: string; reading: { value: number } }[] }
    for (const { id, reading } of acts) kept.set(id, [...(kept.get(id) ?? []), reading.value])
  }
  for (const [id, { value, acknowledged }] of sent) {
    const found = kept.get(id) ?? []
    if (acknowledged && found.length === 0) outcome.missing.push(id)
    if (found.length > 1) outcome.doubled.push(id)
    if (found.some((one) => one !== value)) outcome.altered.push(id)
  }
}

function pause(ms: number): Promise<void> {
  return new Promise((done) => setTimeout(done, ms))
}
