import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { assess } from '../core/assess'
import { chainModel } from '../core/drive/chainModel'
import { asNew } from '../core/drive/model'
import { estimate } from '../core/estimate/estimate'
import { jobOf } from '../test/support/jobs'
import { sheet } from '../test/support/sheets'
import { simulated } from '../test/support/simulate'

/** Times of one run on this machine, and how they compare with each other; figures differ from machine to machine, ratios little. */

function perCall(work: (i: number) => void, calls: number): number {
  for (let i = 0; i < calls / 4; i++) work(i)
  const started = performance.now()
  for (let i = 0; i < calls; i++) work(i)
  return (performance.now() - started) / calls
}

const drive = sheet('ardmere-a18')
const jobs = Array.from({ length: 100 }, (_, seed) => jobOf(simulated(drive, seed, { withLength: true }).readings))
const model = chainModel(drive, drive.chains[0]!)
const say = (what: string, ms: number, than?: number) => console.log(`${what.padEnd(58)} ${ms.toFixed(3).padStart(9)} ms${than ? `   ${(ms / than).toFixed(1)} × one estimate` : ''}`)

const one = perCall((i) => estimate(jobs[i % 100]!), 400)
say('one estimate, ardmere-a18 with five readings', one)
say('one forward model', perCall((i) => model.readout({ ...asNew(model), elongation: 1e-5 * (i % 500) }), 4000), one)
say('one assessment (estimate and calls)', perCall((i) => assess(jobs[i % 100]!), 400), one)

const before = process.memoryUsage().heapUsed
perCall((i) => estimate(jobs[i % 100]!), 2000)
globalThis.gc?.()
console.log(`heap after 2500 more estimates: ${((process.memoryUsage().heapUsed - before) / 1e6).toFixed(1)} MB more`)

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
const [single, all] = [timed(paths.slice(0, 1)), timed(paths)]
say('assess, one job (mostly starting)', single, one)
say('assess, 100 jobs in one call', all, one)
say('  of that per job, starting aside', (all - single) / 99, one)
rmSync(folder, { recursive: true })
