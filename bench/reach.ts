import { mkdirSync, readFileSync, rmSync } from 'node:fs'
import { resolve } from 'node:path'
import pg from 'pg'
import sharp from 'sharp'
import { randomness } from '../core/math'
import { runningServer } from '../scripts/server.mjs'
import { startPostgres, stopPostgres } from '../scripts/postgres.mjs'
import { cookieHeader, ownWorkshop, signIn } from '../test/browser/ownWorkshop'
import { missingOf, nothingDone, takeInJobs, within, work } from './tablets'

/**
 * 200 tablets on one server for an hour on 40 jobs, or as many minutes and jobs as are named behind: readings, photos,
 * jobs opened, lists, searches, each with its live connection. Everything acknowledged is looked for afterwards; what a
 * workshop costs in disk, memory and processor is said with it.
 */
const [MINUTES, TABLETS, JOBS] = [Number(process.argv[2] ?? 60), 200, Number(process.argv[3] ?? 40)]
/** ms between two touches of one person, on the average. */
const THINKS = 20_000

const folder = resolve('.data/bench-reach')
rmSync(folder, { recursive: true, force: true })
mkdirSync(folder, { recursive: true })
process.env.UMBRETTE_DATABASE = await startPostgres(folder)
const own = await ownWorkshop('bench-reach-own', 4970)
const cookies = await signIn(own.address, 'Ada')
const asked = { address: own.address, headers: { cookie: cookieHeader(cookies) } }
const jobs = await takeInJobs(asked, JOBS)
const picture = new Uint8Array(
  await sharp({
    create: {
      width: 1600,
      height: 1200,
      channels: 3,
      noise: { type: 'gaussian', mean: 120, sigma: 12 },
      background: '#345'
    }
  })
    .jpeg({ quality: 70 })
    .toBuffer()
)
const server = (await runningServer(own.folder, 'own')) as { pid: number }
const before = await measured()
const roll = randomness(11)
const done = nothingDone()
const until = Date.now() + MINUTES * 60_000
await Promise.all(
  Array.from({ length: TABLETS }, (_, i) =>
    work(
      { asked, job: jobs[i % JOBS]!, by: 'Ada', picture, roll: randomness(roll.below(1e9)), done, last: null },
      until,
      THINKS
    )
  )
)
const after = await measured()
const missing = await missingOf(asked, done)

const acts = [...done.acts.values()].reduce((sum, ids) => sum + ids.length, 0)
console.log(
  `${TABLETS} tablets, ${JOBS} jobs, ${MINUTES} minutes: ${acts} entries and ${done.photos.length} photos acknowledged, ${missing.length} missing, ${done.refused.length} refused, ${done.again} sent again; ${done.lines} lines over live connections`
)
for (const [doing, times] of Object.entries(done.times))
  console.log(
    `${doing.padEnd(10)} ${String(times.length).padStart(6)} times  half within ${within(times, 0.5).toFixed(0)} ms, p95 ${within(times, 0.95).toFixed(0)} ms, longest ${Math.max(0, ...times).toFixed(0)} ms`
  )
const grown = (what: 'acts' | 'photos' | 'database' | 'processor') => after[what] - before[what]
console.log(
  `a reading takes ${(grown('acts') / acts / 1000).toFixed(2)} kB of the database, a photo of ${(picture.length / 1000).toFixed(0)} kB ${(grown('photos') / Math.max(1, done.photos.length) / 1000).toFixed(0)} kB; in all it grew by ${(grown('database') / 1e6).toFixed(1)} MB`
)
console.log(
  `the server worked ${((100 * grown('processor')) / (MINUTES * 60)).toFixed(1)} % of one processor, its memory ${(before.memory / 1e6).toFixed(0)} MB before, ${(after.memory / 1e6).toFixed(0)} MB after`
)
if (done.refused.length > 0) console.log([...new Set(done.refused)].slice(0, 5).join('\n'))
await own.drop()
await stopPostgres(folder)
rmSync(folder, { recursive: true, force: true })
process.exit(missing.length === 0 ? 0 : 1)

/** Bytes of tables and of the server's memory, and seconds that it worked. */
async function measured() {
  const client = new pg.Client({ connectionString: own.database })
  await client.connect()
  const { rows } = await client.query<{ acts: string; photos: string; database: string }>(
    `select pg_total_relation_size('acts') as acts, pg_total_relation_size('photos') as photos,
       pg_database_size(current_database()) as database`
  )
  await client.end()
  const [{ acts: ofActs, photos, database }] = rows as [(typeof rows)[0]]
  const fields = readFileSync(`/proc/${server.pid}/stat`, 'utf8').split(') ')[1]!.split(' ')
  const TICKS = 100
  return {
    acts: Number(ofActs),
    photos: Number(photos),
    database: Number(database),
    processor: (Number(fields[11]) + Number(fields[12])) / TICKS,
    memory: Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${server.pid}/status`, 'utf8'))![1]) * 1024
  }
}
