import { mkdirSync, rmSync } from 'node:fs'
import { join, resolve } from 'node:path'
import sharp from 'sharp'
import { randomness } from '../core/math'
import { killPostgres } from '../scripts/postgres.mjs'
import { startServer, stopServer } from '../scripts/server.mjs'
import { oneAddress, startPair, untilGone } from './pair'
import { missingOf, nothingDone, takeInJobs, within, work } from './tablets'

/**
 * Two servers behind one address, through a pooler, on a database with a replica: the first database is killed while 60
 * tablets work, and the replica takes over. Everything acknowledged is looked for afterwards.
 */
const [SECONDS, KILLED_AT, TABLETS, JOBS] = [60, 20, 60, 20]
const THINKS = 1500

const folder = resolve('.data/bench-takeover')
rmSync(folder, { recursive: true, force: true })
const folders = ['first', 'second'].map((name) => join(folder, name))
for (const one of folders) mkdirSync(one, { recursive: true })
const pair = await startPair(folder)
process.env.UMBRETTE_LISTEN_URL = pair.listening
const ports: number[] = []
for (const one of folders)
  ports.push((await startServer(one, { app: pair.pooled, owner: pair.first }, { first: 4950 })).port)
const { address, door } = await oneAddress(ports, 4940)
const asked = { address, headers: { connection: 'close' } }
const jobs = await takeInJobs(asked, JOBS)
const picture = new Uint8Array(
  await sharp({ create: { width: 800, height: 600, channels: 3, background: '#345' } })
    .jpeg()
    .toBuffer()
)

const done = nothingDone()
const roll = randomness(5)
const until = Date.now() + SECONDS * 1000
const working = Promise.all(
  Array.from({ length: TABLETS }, (_, i) =>
    work(
      { asked, job: jobs[i % JOBS]!, by: 'Maren', picture, roll: randomness(roll.below(1e9)), done, last: null },
      until,
      THINKS
    )
  )
)
await new Promise((later) => setTimeout(later, KILLED_AT * 1000))
const killed = performance.now()
await killPostgres(folder)
await untilGone(pair.first)
const noticed = performance.now()
await pair.takeOver()
const over = performance.now()
await working
const missing = await missingOf(asked, done)
const acts = [...done.acts.values()].reduce((sum, ids) => sum + ids.length, 0)
const times = done.acknowledged.toSorted((a, b) => a - b)
const gap = Math.max(...times.slice(1).map((at, i) => at - times[i]!))
console.log(
  `two servers, pooler, replica: ${acts} entries and ${done.photos.length} photos acknowledged, ${missing.length} missing, ${done.refused.length} refused, ${done.again} sent again; ${done.lines} lines over live connections`
)
console.log(
  `killed, noticed after ${seconds(noticed - killed)}, replica first after ${seconds(over - killed)}; nobody could save for ${seconds(gap)}; readings p95 ${within(done.times.reading, 0.95).toFixed(0)} ms over all of it`
)
if (done.refused.length > 0) console.log([...new Set(done.refused)].slice(0, 5).join('\n'))
door.close()
for (const one of folders) await stopServer(one)
await pair.stop()
rmSync(folder, { recursive: true, force: true })
process.exit(missing.length + done.refused.length === 0 ? 0 : 1)

function seconds(ms: number): string {
  return `${(ms / 1000).toFixed(1)} s`
}
