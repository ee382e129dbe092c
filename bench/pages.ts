import { chromium, type APIRequestContext, type Page, request as requests } from '@playwright/test'
import { randomUUID } from 'node:crypto'
import pg from 'pg'
import sharp from 'sharp'
import type { Reading } from '../core/readings'
import setup from '../test/browser/setup'
import { jobOf, read } from '../test/support/jobs'

/**
 * Pages in Chromium: how long until each takes input beside an empty page of the same build, how soon the ledger moves
 * after a figure is saved, the longest tasks while typing on a processor slowed four times, and memory over a day.
 */
const [ROUNDS, TYPED, DAY_READINGS, DAY_JOBS] = [11, 12, 500, 40]

const teardown = await setup()
const url = process.env.UMBRETTE_URL!
const api = await requests.newContext({ baseURL: url })
const V6 = '5a17a000-0000-4000-8000-000000000005'
await manyJobs()
const full = await fullJob(api)
// As a tablet has it that was there before: what it was sent, and what it made of it, is on its disk.
const context = await chromium.launchPersistentContext('', {
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking'],
  ...{ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' as const }
})
await context.addInitScript(() => localStorage.setItem('umbrette.by', 'Maren'))

console.log(
  `Until a page takes input, the middle of ${ROUNDS} times, each time one after the other, beside the empty page`
)
const PAGES = [
  ['empty page (signing in)', 'sign-in'],
  ['board of 10,000 jobs', ''],
  ['job of 200 readings, 60 photos', `jobs/${full}?station=5`],
  ['V6 with everything', `jobs/${V6}?station=3`],
  ['verdict of the V6', `jobs/${V6}/verdict`]
] as const
const opened = (await openings(PAGES.map(([, path]) => path))).map(middle)
for (const [i, [name]] of PAGES.entries()) say(name, opened[i]!, opened[0]!)
await typing()
await day()
await context.close()
await api.dispose()
await teardown()

function say(name: string, ms: number, beside: number): void {
  console.log(`${name.padEnd(34)} ${ms.toFixed(0).padStart(5)} ms  ${(ms / beside).toFixed(2)} × empty`)
}

function middle(list: readonly number[]): number {
  return list.toSorted((a, b) => a - b)[Math.floor(list.length / 2)]!
}

/** ms from asking for each page until it takes input, round by round: a machine's pace changes within seconds. */
async function openings(paths: readonly string[]): Promise<number[][]> {
  const times = paths.map((): number[] => [])
  const page = await context.newPage()
  // The first round fills the browser's own store.
  for (let round = 0; round <= ROUNDS; round++)
    for (const [i, path] of paths.entries()) {
      const ms = await opening(page, path)
      if (round > 0) times[i]!.push(ms)
    }
  await page.close()
  return times
}

async function opening(page: Page, path: string): Promise<number> {
  await page.goto('about:blank')
  const started = performance.now()
  await page.goto(`${url}${path}`, { waitUntil: 'commit' })
  await page.waitForFunction(
    () => document.querySelector('#__nuxt') && !document.querySelector('#__nuxt [inert]'),
    null,
    { polling: 'raf' }
  )
  return performance.now() - started
}

/** A guide's groove on one job after the other: each figure moves what the ledger says of the chain. */
async function typing(): Promise<void> {
  const page = await context.newPage()
  await page.goto(url)
  const quick: number[] = []
  for (let i = 0; i <= TYPED; i++) {
    await goOn(page, await jobWith(api, [read.lag('cam-in', 2), read.extension(14)]))
    const ms = await enter(page, '1.10')
    // The first one loads what it takes.
    if (i > 0) quick.push(ms)
  }
  console.log(
    `\nFrom a figure saved to the ledger moved: ${middle(quick).toFixed(0)} ms in the middle, ${Math.max(...quick).toFixed(0)} ms at the most`
  )
  const session = await context.newCDPSession(page)
  await session.send('Emulation.setCPUThrottlingRate', { rate: 4 })
  await page.evaluate(`window.long = []; new PerformanceObserver((list) => {
    for (const { duration } of list.getEntries()) window.long.push(duration)
  }).observe({ type: 'longtask' })`)
  for (let i = 0; i < TYPED; i++) {
    await page.getByTestId('figure').pressSequentially(`0.${60 + i}`, { delay: 60 })
    await page.getByTestId('figure').fill('')
  }
  const long = await page.evaluate<number[]>('window.long')
  console.log(
    `typing ${TYPED} figures, processor slowed four times: ${long.length} tasks over 50 ms${long.length > 0 ? `, the longest ${Math.max(...long).toFixed(0)} ms` : ''}`
  )
  await page.close()
}

/** Saves a figure for the fixed guide; ms until what the ledger says of it is another. */
async function enter(page: Page, figure: string): Promise<number> {
  await page.getByRole('button', { name: /^Fixed guide:/ }).click()
  await page.getByTestId('figure').fill(figure)
  await page.evaluate(`window.moved = new Promise((done) => {
    const at = document.querySelector('[data-testid=elongation]').closest('section')
    document.addEventListener('keydown', () => {
      const started = performance.now()
      const watch = new MutationObserver(() => { watch.disconnect(); done(performance.now() - started) })
      watch.observe(at, { subtree: true, childList: true, characterData: true })
    }, { once: true, capture: true })
  })
  // What is given back is not waited for.
  0`)
  await page.getByTestId('figure').press('Enter')
  return page.evaluate<number>('window.moved')
}

/** A day at the bench in one tab: jobs opened one after the other, readings saved on them. */
async function day(): Promise<void> {
  const page = await context.newPage()
  const session = await context.newCDPSession(page)
  const heap = async () => {
    await session.send('HeapProfiler.collectGarbage')
    const { usedSize } = await session.send('Runtime.getHeapUsage')
    return usedSize / 1e6
  }
  const jobs: string[] = []
  for (let i = 0; i < DAY_JOBS; i++) jobs.push(await jobWith(api, [read.lag('cam-in', 2)]))
  const heaps: number[] = []
  await page.goto(url)
  for (const [i, id] of jobs.entries()) {
    await goOn(page, id)
    for (let n = 0; n < DAY_READINGS / DAY_JOBS; n++) {
      await page.getByRole('button', { name: /^Fixed guide:/ }).click()
      await page.getByTestId('figure').fill(`0.${30 + n}`)
      await page.getByTestId('figure').press('Enter')
    }
    if (i % 10 === 9) heaps.push(await heap())
  }
  console.log(
    `\n${DAY_READINGS} readings on ${DAY_JOBS} jobs in one tab: memory after each quarter of the day ${heaps.map((mb) => mb.toFixed(0)).join(', ')} MB`
  )
  await page.close()
}

/** As a person goes from job to job: the page is never loaded again. */
async function goOn(page: Page, id: string): Promise<void> {
  await page.evaluate(`window.useNuxtApp().$router.push('/jobs/${id}?read=groove:guide')`)
  await page.waitForURL(`**/${id}**`)
  await page.getByTestId('drive-map').waitFor()
}

async function jobWith(to: APIRequestContext, readings: Reading[]): Promise<string> {
  const answer = await to.post('/api/jobs/import?by=Maren', { data: jobOf(readings) })
  return ((await answer.json()) as { id: string }).id
}

/** A job of 200 readings and 60 photos. */
async function fullJob(to: APIRequestContext): Promise<string> {
  const id = await jobWith(
    to,
    Array.from(
      { length: 200 },
      (_, i) =>
        [
          read.groove('guide', 0.3 + i / 1000),
          read.lag('cam-in', 2 + i / 500),
          read.length(160.4 + i / 1000),
          read.extension(12 + i / 500)
        ][i % 4]!
    )
  )
  const picture = await sharp({ create: { width: 1200, height: 900, channels: 3, background: '#345' } })
    .jpeg()
    .toBuffer()
  for (let i = 0; i < 60; i++) {
    const photo = (await (
      await to.post(`/api/jobs/${id}/photos`, { headers: { 'content-type': 'image/jpeg' }, data: picture })
    ).json()) as { id: string }
    await to.post(`/api/jobs/${id}/acts`, {
      data: {
        ...{ id: randomUUID(), type: 'photo', by: 'Maren', at: '2026-11-24T08:00:00.000Z' },
        ...{ photo: photo.id, part: 'guide' }
      }
    })
  }
  return id
}

/** Copies of a demo job, open. */
async function manyJobs(): Promise<void> {
  const client = new pg.Client({ connectionString: process.env.UMBRETTE_DATABASE })
  await client.connect()
  const { rows } = await client.query<{ summary: unknown }>(
    `select summary from jobs where id = '5a17a000-0000-4000-8000-000000000001'`
  )
  if (!rows[0]?.summary) throw new Error('the demo has no summary yet')
  await client.query(
    `insert into jobs (id, vehicle, stand, complaint, school, usage, sheet, opened_by, opened_at, state, summary, summary_core, stale)
     select gen_random_uuid(), 'Barge ' || i, stand, complaint, school, usage, sheet, opened_by, opened_at - i * interval '1 hour', 'open', summary, summary_core, false
     from jobs, generate_series(1, 10000) i where id = '5a17a000-0000-4000-8000-000000000001'`
  )
  await client.query('vacuum analyze jobs')
  await client.end()
}
