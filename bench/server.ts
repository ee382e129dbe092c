import autocannon, { type Request } from 'autocannon'
import { randomUUID } from 'node:crypto'
import { existsSync, mkdirSync, rmSync } from 'node:fs'
import { connect } from 'node:net'
import { resolve } from 'node:path'
import pg from 'pg'
import sharp from 'sharp'
import { startPostgres, stopPostgres } from '../scripts/postgres.mjs'
import { startServer, stopServer } from '../scripts/server.mjs'
import type { Reading } from '../core/readings'
import { cookieHeader, ownWorkshop, signIn, takeInJob } from '../test/browser/ownWorkshop'
import { jobOf, read } from '../test/support/jobs'

/**
 * What saving a reading, opening a full job and a page of the board take with 50 clients, as ratios of a bare route
 * that runs one query on the same server in the same run: a slow machine slows all of them.
 */
export async function serverBench(): Promise<void> {
  if (!existsSync('.output/server/index.mjs'))
    return console.log('\nServer: there is no build yet, run ./umbrette start once.')
  const folder = resolve('.data/bench-server')
  // What a run that was broken off left behind would weigh on this one.
  rmSync(folder, { recursive: true, force: true })
  mkdirSync(folder, { recursive: true })
  const database = await startPostgres(folder)
  const { address } = await startServer(folder, database, { first: 4980 })
  try {
    await measure(address, database)
  } finally {
    await stopServer(folder)
    await stopPostgres(folder)
    rmSync(folder, { recursive: true })
  }
}

const SECONDS = 4
const ROUNDS = 5

/** A route that runs one query. */
const BARE: Request = { method: 'GET', path: '/api/health' }

/** Requests that each save a reading of their own on a job. */
const savingOn = (id: string, by: string, headers: Record<string, string> = {}): Request => ({
  method: 'POST',
  headers: { 'content-type': 'application/json', ...headers },
  setupRequest: (asked) => ({
    ...asked,
    path: `/api/jobs/${id}/acts`,
    body: JSON.stringify({
      id: randomUUID(),
      type: 'read',
      by,
      at: '2026-11-24T08:00:00.000Z',
      reading: read.groove('guide', 0.4)
    })
  })
})

async function measure(address: string, database: string): Promise<void> {
  const job = await fullJob(address)
  // A job of its own for each round: one that was saved on for a while is full, and long to sum up.
  const saves = async (): Promise<Request> => savingOn(await fullJob(address), 'Maren')
  const beside = besideOf(address)
  console.log('\nServer, 50 clients: 95 % of answers come within, beside those of a bare route that runs one query')
  await load(address, BARE)
  await load(address, await saves())
  await beside('saving a reading', saves, '  (aim: within 2 ×)')
  await signedInSaves(database)
  await beside(
    'opening a job of 60 readings, 20 photos',
    { method: 'GET', path: `/api/jobs/${job}` },
    '  (aim: within 2 ×)'
  )
  const aim = '  (aim: within 4 ×)'
  await fetch(`${address}api/board`)
  await beside('board, some ten jobs', { method: 'GET', path: '/api/board' }, aim)
  await manyJobs(database, 100)
  await beside('a list of 100 jobs, first page of 20', { method: 'GET', path: '/api/board?state=closed' }, aim)
  await manyJobs(database, 9900)
  await beside('a list of 10,000 jobs, first page of 20', { method: 'GET', path: '/api/board?state=closed' }, aim)
  let page = 0
  const another: Request = {
    method: 'GET',
    setupRequest: (asked) => ({ ...asked, path: `/api/board?state=closed&page=${page++ % 500}` })
  }
  await beside('a list of 10,000 jobs, each another page', another, aim)
  const word: Request = { method: 'GET', path: '/api/board?state=closed&search=barge%204242' }
  await beside('a word searched in 10,000 jobs', word, aim)
  await manyVehicles(database, 10_000)
  for (const [name, path] of [
    ['a plate searched in 10,000 vehicles', '/api/vehicles?search=ab4242'],
    ['a phone searched in 10,000 customers', '/api/customers?search=07004242'],
    ['a list of 10,000 vehicles, first page of 40', '/api/vehicles']
  ] as const)
    await beside(name, { method: 'GET', path }, aim)
  await crowded(address, beside, saves)
}

/** Customers, each with a vehicle. */
async function manyVehicles(database: string, count: number): Promise<void> {
  const client = new pg.Client({ connectionString: database })
  await client.connect()
  await client.query(
    `with made as (
       insert into customers (id, name, phone)
       select gen_random_uuid(), 'Customer ' || n, '0700 ' || n from generate_series(1, $1::int) n returning id, name)
     insert into vehicles (id, name, registration, chassis, customer_id)
     select gen_random_uuid(), 'Boat of ' || name, 'AB-' || substring(name from 10), 'CH' || md5(name), id from made`,
    [count]
  )
  await client.query('analyze customers; analyze vehicles')
  await client.end()
}

/**
 * Prints what a request takes beside the bare route, asked just before each time: a machine's pace changes within
 * seconds. The middle one of the rounds counts.
 */
function besideOf(address: string): Beside {
  return async (name, ask, aim = '') => {
    const rounds: { load: Load; ratio: number }[] = []
    for (let i = 0; i < ROUNDS; i++) {
      const request = typeof ask === 'function' ? await ask() : ask
      const plain = await load(address, BARE)
      const asked = await load(address, request)
      rounds.push({ load: asked, ratio: asked.p95 / plain.p95 })
    }
    const {
      load: { p95, rate },
      ratio
    } = rounds.sort((a, b) => a.ratio - b.ratio)[Math.floor(ROUNDS / 2)]!
    const refused = rounds.reduce((sum, round) => sum + round.load.refused, 0)
    console.log(
      `${name.padEnd(46)} ${ratio.toFixed(1).padStart(5)} × bare  (${rounds[0]!.ratio.toFixed(1)} to ${rounds.at(-1)!.ratio.toFixed(1)})  p95 ${p95.toFixed(0).padStart(4)} ms  ${Math.round(rate)} a second${aim}${refused ? `, ${refused} FAILED` : ''}`
    )
  }
}

/** Saving on a workshop where people sign in: who asks is looked up, and kept beside the act. */
async function signedInSaves(database: string): Promise<void> {
  process.env.UMBRETTE_DATABASE = database
  const own = await ownWorkshop('bench-signed-in', 4986)
  try {
    const cookies = await signIn(own.address, 'Ada')
    const cookie = cookieHeader(cookies)
    const saves = async (): Promise<Request> => {
      const id = await takeInJob(own.address, cookies)
      return savingOn(id, 'Ada', { cookie })
    }
    await load(own.address, await saves())
    await besideOf(own.address)('saving a reading, signed in', saves, '  (aim: within 2 ×)')
  } finally {
    await own.drop()
  }
}

/** What others wait while long work is done, and saving while hundreds of connections are half open or broken off. */
async function crowded(address: string, beside: Beside, saves: () => Promise<Request>): Promise<void> {
  console.log('\nWhile long work is done: 95 % of the answers to others come within')
  const acts = Array.from({ length: 20_000 }, (_, i) => ({
    id: `many-${i}`,
    type: 'waits',
    by: 'Maren',
    at: '2026-11-24T08:00:00.000Z',
    for: i % 2 ? 'part' : 'nothing'
  }))
  const many = JSON.stringify({ ...jobOf([]), openedUnder: 'on-evidence', acts })
  const readings = JSON.stringify(
    jobOf(
      Array.from(
        { length: 5000 },
        (_, i) => [read.groove('guide', 0.4), read.length(160.4), read.lag('cam-in', 2)][i % 3]!
      )
    )
  )
  const album = await fullJob(address, 500)
  const bring = async (file: string) =>
    (
      (await (
        await fetch(`${address}api/jobs/import?by=Maren`, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: file
        })
      ).json()) as { id: string }
    ).id
  const large = await bring(readings)
  for (const [name, work] of [
    ['20,000 entries taken in', () => bring(many)],
    [
      'a job of 5,000 readings opened',
      () => fetch(`${address}api/jobs/${large}/report`).then((answer) => answer.text())
    ],
    [
      'a report with 500 pictures printed',
      () => fetch(`${address}api/jobs/${album}/report.pdf`).then((answer) => answer.arrayBuffer())
    ]
  ] as const)
    console.log(`${name.padEnd(46)} ${(await othersDuring(address, work)).padStart(8)}`)
  const half = Array.from({ length: 300 }, () =>
    connect(Number(new URL(address).port), '127.0.0.1').on('error', () => undefined)
  )
  for (const socket of half) socket.write('POST /api/people HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Length: 90\r\n\r\n{')
  const broken = (async () => {
    for (let i = 0; i < 500; i++) {
      const stop = new AbortController()
      const stream = fetch(`${address}api/live`, { signal: stop.signal }).catch(() => null)
      setTimeout(() => stop.abort(), 5)
      await stream
    }
  })()
  await beside('saving, 300 connections half open, 500 broken off', saves, '  (aim: within 2 × of saving alone)')
  await broken
  for (const socket of half) socket.destroy()
}

/** 95 % of the answers of a small route that is asked again and again until some work is done, in ms. */
async function othersDuring(address: string, work: () => Promise<unknown>): Promise<string> {
  let running = true
  const times: number[] = []
  const others = Promise.all(
    Array.from({ length: 4 }, async () => {
      while (running) {
        const started = performance.now()
        await (await fetch(`${address}api/people`)).text()
        times.push(performance.now() - started)
        await new Promise((done) => setTimeout(done, 5))
      }
    })
  )
  const started = performance.now()
  await work()
  running = false
  await others
  times.sort((a, b) => a - b)
  return `${times[Math.floor(0.95 * times.length)]!.toFixed(0)} ms  (${times.length} answers in ${((performance.now() - started) / 1000).toFixed(1)} s)`
}

/** @param ask what is asked, or what makes it for each round */
type Beside = (name: string, ask: Request | (() => Promise<Request>), aim?: string) => Promise<void>

interface Load {
  /** 95 % of answers come within this many ms. */
  p95: number
  /** Answers a second. */
  rate: number
  refused: number
}

/** 50 clients ask without pause. autocannon's own summary has no 95 %, so each answer's time is kept. */
async function load(address: string, request: Request): Promise<Load> {
  const times: number[] = []
  const { requests, errors, non2xx } = await new Promise<autocannon.Result>((done, failed) => {
    const run = autocannon(
      { url: address, connections: 50, duration: SECONDS, requests: [request] },
      (error: unknown, result) => (error ? failed(error as Error) : done(result))
    )
    run.on('response', (_client, _status, _bytes, ms) => times.push(ms))
  })
  times.sort((a, b) => a - b)
  return { p95: times[Math.floor(times.length * 0.95)] ?? Number.NaN, rate: requests.average, refused: errors + non2xx }
}

/** A job with 60 readings and 20 photos, or more. */
async function fullJob(address: string, pictures = 20): Promise<string> {
  const readings: Reading[] = Array.from({ length: 20 }, (_, i) => [
    read.groove('guide', 0.3 + i / 100),
    read.lag('cam-in', 2 + i / 50),
    read.length(160.4 + i / 100)
  ]).flat()
  const { id } = (await (
    await fetch(`${address}api/jobs/import?by=Maren`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(jobOf(readings))
    })
  ).json()) as { id: string }
  const picture = await sharp({ create: { width: 800, height: 600, channels: 3, background: '#345' } })
    .jpeg()
    .toBuffer()
  for (let i = 0; i < pictures; i++) {
    const photo = (await (
      await fetch(`${address}api/jobs/${id}/photos`, {
        method: 'POST',
        headers: { 'content-type': 'image/jpeg' },
        body: new Uint8Array(picture)
      })
    ).json()) as { id: string }
    await fetch(`${address}api/jobs/${id}/acts`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({
        id: randomUUID(),
        type: 'photo',
        by: 'Maren',
        at: '2026-11-24T08:00:00.000Z',
        photo: photo.id,
        part: 'guide'
      })
    })
  }
  return id
}

/** Copies of a demo job with its summary, closed. */
async function manyJobs(database: string, count: number): Promise<void> {
  const client = new pg.Client({ connectionString: database })
  await client.connect()
  await client.query(
    `insert into jobs (id, vehicle, stand, complaint, school, usage, sheet, opened_by, opened_at, state, summary, summary_core, stale)
    select gen_random_uuid(), 'Barge ' || i, stand, complaint, school, usage, sheet, opened_by, opened_at - i * interval '1 hour', 'closed', summary, summary_core, false
    from jobs, generate_series(1, $1::int) i where id = '5a17a000-0000-4000-8000-000000000001' and not stale`,
    [count]
  )
  // As the database does by itself within a minute.
  await client.query('vacuum analyze jobs')
  await client.end()
}
