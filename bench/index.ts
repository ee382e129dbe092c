import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { assess, assumptionsOf, cheapest, pathsOf } from '../core/paths'
import { asNew, chainModel, sheetFaults } from '../core/drive'
import { estimate } from '../core/estimate'
import { slotsOf } from '../core/views/bench'
import type { JobFile, Reading } from '../core/readings'
import type { DriveSheet } from '../core/sheet'
import { randomEngine } from '../test/support/engines'
import { jobOf } from '../test/support/jobs'
import { sheet } from '../test/support/sheets'
import { simulated } from '../test/support/simulate'
import { serverBench } from './server'

/**
 * Times of one run on this machine, and how they compare with each other; figures differ from machine to machine,
 * ratios little.
 */

function perCall(work: (i: number) => void, calls: number): number {
  for (let i = 0; i < calls / 4; i++) work(i)
  const started = performance.now()
  for (let i = 0; i < calls; i++) work(i)
  return (performance.now() - started) / calls
}

const say = (what: string, ms: number, than?: number) =>
  console.log(
    `${what.padEnd(62)} ${ms.toFixed(3).padStart(9)} ms${than ? `   ${(ms / than).toFixed(1)} × one estimate` : ''}`
  )

/** Every reading that a sheet offers, as a worn drive would show it, roughly. */
function everyReading(drive: DriveSheet): Reading[] {
  const typical = { extension: 9, padWear: 0.2, camLag: 2.5, groove: 0.4, phaserPlay: 0.6, chainCompare: 0.5 }
  return slotsOf(drive).map(({ kind, target }) => {
    const chain = drive.chains.find((c) => c.id === target.chain)
    const value =
      kind === 'linkCount'
        ? chain!.counts.find((c) => c.from === target.from && c.to === target.to)!.links
        : kind === 'chainLength'
          ? target.links! * chain!.pitch * 1.003
          : typical[kind]
    return { kind, ...target, value, turnedForward: true } as Reading
  })
}

const drive = sheet('ardmere-a18')
const jobs = Array.from({ length: 100 }, (_, seed) => jobOf(simulated(drive, seed, { withLength: true }).readings))
const model = chainModel(drive, drive.chains[0]!)
const six: JobFile = jobOf(everyReading(sheet('vellora-v28')), { drive: sheet('vellora-v28') })
const most = [0, 1].map((first) =>
  jobOf(
    Array.from({ length: 5000 }, (_, i) => simulated(drive, (first + i) % 1000, { withLength: true }).readings[i % 5]!)
  )
)
const fourCams = Array.from({ length: 20 }, (_, seed) => {
  const made = randomEngine({ seed, cams: 4 })
  return jobOf(simulated(made, seed, { withLength: true, withCounts: true }).readings, { drive: made })
})

const one = perCall((i) => estimate(jobs[i % 100]!), 400)
say('one estimate, inline four with five readings', one)
say(
  'one forward model',
  perCall((i) => model.readout({ ...asNew(model), elongation: 1e-5 * (i % 500) }), 4000),
  one
)
say(
  'one assessment (estimate and calls)',
  perCall((i) => assess(jobs[i % 100]!), 400),
  one
)
say(
  `one estimate, V6 with every reading (${six.readings.length}), next reading in it`,
  perCall(() => estimate(six), 100),
  one
)
say(
  'one estimate, the most readings that a job file may hold (5,000)',
  perCall((i) => estimate(most[i % 2]!), 4),
  one
)
say(
  'one estimate, four cams on one chain, ±3 teeth each',
  perCall((i) => estimate(fourCams[i % 20]!), 100),
  one
)
say(
  'checking one sheet',
  perCall(() => sheetFaults(drive), 200),
  one
)
say(
  'paths of an inline four',
  perCall((i) => pathsOf(jobs[i % 100]!, estimate(jobs[i % 100]!)), 40),
  one
)
const fifteen = {
  ...six,
  drive: { ...six.drive, parts: [...six.drive.parts!, { ...six.drive.parts![0]!, id: 'p-more', fits: 'in-1' }] }
}
const estimates = estimate(fifteen)
say(
  'every one of 2^15 sets of renewals scored',
  perCall(() => cheapest(fifteen, estimates, [], () => [], assumptionsOf(fifteen)), 4),
  one
)

const heap = () => {
  globalThis.gc?.()
  return process.memoryUsage().heapUsed / 1e6
}
const before = heap()
for (let i = 0; i < 10_000; i++) estimate(jobs[i % 100]!)
console.log(`heap before and after 10,000 estimates: ${before.toFixed(1)} and ${heap().toFixed(1)} MB`)

const folder = mkdtempSync(join(tmpdir(), 'umbrette-bench-'))
const paths = jobs.map((job, i) => {
  const path = join(folder, `job-${i}.json`)
  writeFileSync(path, JSON.stringify(job))
  return path
})
const timed = (files: string[]) => {
  const started = performance.now()
  execFileSync('npm', ['run', '--silent', 'assess', '--', ...files], { stdio: ['ignore', 'ignore', 'ignore'] })
  return performance.now() - started
}
timed(paths.slice(0, 1))
const [single, all] = [timed(paths.slice(0, 1)), timed(paths)]
say('assess, one job (mostly starting)', single, one)
say('assess, 100 jobs in one call, per job', all / 100, one)
say('  starting aside', (all - single) / 99, one)
rmSync(folder, { recursive: true })

await serverBench()
process.exit(0)
