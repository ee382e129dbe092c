import { randomUUID } from 'node:crypto'
import { mkdirSync } from 'node:fs'
import { resolve } from 'node:path'
import sharp from 'sharp'
import { randomness } from '../../core/math'
import { workshopDatabase } from '../../scripts/database.mjs'
import { killPostgres, startPostgres, stopPostgres } from '../../scripts/postgres.mjs'
import { killServer, startServer, stopServer } from '../../scripts/server.mjs'
import { jobOf, read } from '../support/jobs'

/** What a run of kills came to. */
export interface Outcome {
  kills: { server: number; database: number }
  acknowledged: number
  /** Of those: pictures, and jobs taken in from files. */
  photos: number
  imports: number
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
 * Hard-kills the server and PostgreSQL in turn, each at a random moment of a burst of saves by several clients, starts
 * them again, and at the end compares what was acknowledged with what is kept. Clients send as the page does: an act
 * keeps its id and is sent again until it is answered.
 * @param place where the run's own database and server are kept
 */
export async function killAtRandom(
  place: string,
  kills: number,
  { seed = 1, firstPort = 4780 } = {}
): Promise<Outcome> {
  const folder = resolve(place)
  mkdirSync(folder, { recursive: true })
  const { uniform } = randomness(seed)
  const database = await workshopDatabase(folder)
  let server = await startServer(folder, database, { first: firstPort, demo: false })
  const { address } = server
  const outcome: Outcome = {
    kills: { server: 0, database: 0 },
    acknowledged: 0,
    photos: 0,
    imports: 0,
    repeated: 0,
    missing: [],
    doubled: [],
    altered: []
  }
  const jobs = await Promise.all(Array.from({ length: 2 }, () => newJob(address)))
  const sent: Sent = new Map()
  const picture = await sharp({
    create: {
      width: 120,
      height: 90,
      channels: 3,
      background: '#345',
      noise: { type: 'gaussian', mean: 100, sigma: 30 }
    }
  })
    .jpeg()
    .toBuffer()
  let running = true

  const client = async (n: number) => {
    /** Where this client's pictures go: a job holds only so many. */
    let album = jobs[n % jobs.length]!
    for (let i = 0; running; i++) {
      const job = jobs[(n + i) % jobs.length]!
      const id = randomUUID()
      const value = Math.round(1000 * ((n + 1) * 0.01 + (i % 900) / 1000)) / 1000
      const what = i % 12 === 5 ? 'photos' : i % 12 === 11 ? 'imports' : 'acts'
      sent.set(id, { what, job, value, acknowledged: false })
      for (let tries = 0; ; tries++) {
        if (tries > 0) outcome.repeated++
        if (
          what === 'photos'
            ? await savePhoto(address, album, id, picture)
            : what === 'imports'
              ? await bringIn(address, id)
              : await save(address, job, id, value)
        )
          break
        if (!running && tries > 100) return
        await pause(15)
      }
      sent.get(id)!.acknowledged = true
      outcome.acknowledged++
      if (what !== 'acts') outcome[what]++
      if (what === 'imports') album = id
    }
  }
  const clients = Array.from({ length: CLIENTS }, (_, n) => client(n))

  try {
    for (let k = 0; k < kills; k++) await strike(k)
    running = false
    await Promise.all(clients)
    await compare(address, jobs, sent, picture, outcome)
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
      if (Date.now() > patience)
        throw new Error(`no act was acknowledged within ${PATIENCE_MS / 1000} s after kill ${k}`)
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

/** What was sent, by its id. */
type Sent = Map<string, { what: 'acts' | 'photos' | 'imports'; job: string; value: number; acknowledged: boolean }>

async function newJob(address: string): Promise<string> {
  const id = randomUUID()
  if (!(await bringIn(address, id))) throw new Error('no job was taken in')
  return id
}

/** A job file, with the id that the new job gets. Was it acknowledged? */
function bringIn(address: string, id: string): Promise<boolean> {
  return acknowledged(
    `${address}api/jobs/import?by=Maren&id=${id}`,
    JSON.stringify(jobOf([read.groove('arm', 0.3), read.extension(9)])),
    (body) => body.id === id
  )
}

function savePhoto(address: string, job: string, id: string, picture: Buffer): Promise<boolean> {
  return acknowledged(
    `${address}api/jobs/${job}/photos?id=${id}`,
    new Uint8Array(picture),
    (body) => body.id === id,
    'image/jpeg'
  )
}

function save(address: string, job: string, id: string, value: number): Promise<boolean> {
  const act = { id, type: 'read', by: 'Maren', at: '2026-11-24T08:00:00.000Z', reading: read.groove('guide', value) }
  return acknowledged(
    `${address}api/jobs/${job}/acts`,
    JSON.stringify(act),
    (body) => (body.act as { id: string } | undefined)?.id === id
  )
}

/** Was it acknowledged? Any other answer, or none, is no acknowledgement. */
async function acknowledged(
  url: string,
  body: BodyInit,
  isIt: (answer: Record<string, unknown>) => boolean,
  type = 'application/json'
): Promise<boolean> {
  try {
    const answer = await fetch(url, {
      method: 'POST',
      headers: { 'content-type': type },
      body,
      signal: AbortSignal.timeout(8000)
    })
    const told = (await answer.json()) as Record<string, unknown>
    return answer.ok && isIt(told)
  } catch {
    return false
  }
}

async function compare(
  address: string,
  jobs: readonly string[],
  sent: Sent,
  picture: Buffer,
  outcome: Outcome
): Promise<void> {
  const kept = new Map<string, number[]>()
  for (const job of jobs) {
    const { acts } = (await (
      await fetch(`${address}api/jobs/${job}/export?form=lines`)
    )
      .text()
      .then((text) => JSON.parse(text.split('\n')[0]!))) as { acts: { id: string; reading: { value: number } }[] }
    for (const { id, reading } of acts) kept.set(id, [...(kept.get(id) ?? []), reading.value])
  }
  for (const [id, { what, value, acknowledged: told }] of sent) {
    const found = what === 'acts' ? (kept.get(id) ?? []) : await there(address, what, id, picture)
    if (told && found.length === 0) outcome.missing.push(id)
    if (found.length > 1) outcome.doubled.push(id)
    if (what === 'acts' && found.some((one) => one !== value)) outcome.altered.push(id)
    if (what !== 'acts' && found.some((whole) => whole !== 1)) outcome.altered.push(id)
  }
}

/** Is a picture, or a job from a file, there? 1 where it is whole, 0 where it is not as it was sent. */
async function there(address: string, what: 'photos' | 'imports', id: string, picture: Buffer): Promise<number[]> {
  const answer = await fetch(`${address}api/${what === 'photos' ? 'photos' : 'jobs'}/${id}`)
  if (answer.status === 404) return []
  if (what === 'photos') return [Buffer.from(await answer.arrayBuffer()).equals(picture) ? 1 : 0]
  return [((await answer.json()) as { acts: unknown[] }).acts.length === 2 ? 1 : 0]
}

function pause(ms: number): Promise<void> {
  return new Promise((done) => setTimeout(done, ms))
}
