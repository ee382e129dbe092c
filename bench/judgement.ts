import { condemnedIn } from '../core/paths/assess'
import { assess } from '../core/paths'
import { estimate, learnPriors } from '../core/estimate'
import { stakesOf } from '../core/paths/stakes'
import type { JobFile } from '../core/readings'
import { tryEverything } from '../test/support/bruteForce'
import { type Circumstances, drawCase, type JudgedCase } from '../test/support/judged'
import { SHEETS, sheet } from '../test/support/sheets'
import { type Share, type Tally, tally } from '../test/support/tally'

/**
 * How often the judgement is right on engines of known truth: each case over all sheets, at least 400 engines (or
 * another number, named behind). Seeds are fixed, so that a change shows.
 */

const wanted = Number(process.argv[2] ?? 402)

function run(name: string, circumstances: Circumstances, sheets: readonly (typeof SHEETS)[number][]): Tally {
  const cases = Array.from({ length: wanted }, (_, i) =>
    drawCase(sheet(sheets[i % sheets.length]!), 7919 * i + 11, circumstances)
  )
  const started = performance.now()
  const t = tally(cases)
  const ms = (performance.now() - started) / cases.length
  const f = ({ percent }: Share) => (Number.isNaN(percent) ? '    –' : percent.toFixed(1).padStart(5))
  const median = t.spreads.sort((a, b) => a - b)[t.spreads.length >> 1]!
  console.log(
    `${name.padEnd(28)} ε ${f(t.elongation)} wear ${f(t.wear)} lag ${f(t.lag)} | sure ${f(t.sure)} stopped ${f(t.stopped)} found ${f(t.found)} blamed ${f(t.blamed)} | passed ${f(t.passed)} | sd ${(100 * median).toFixed(4)} | ${ms.toFixed(1)} ms`
  )
  return t
}

const charted = SHEETS.filter((name) => name !== 'quillon-q40-counted')
run('honest', {}, charted)
run('5 % gross', { gross: 0.05 }, charted)
run('skim untold', { skim: (roll) => roll.between(0, 0.4) }, charted)
run('heat untold', { heat: (roll) => roll.between(0, 80) }, charted)
run('rails twice as worn', { rails: 2 }, charted)
run('four repeats', { repeats: { times: 4, shared: 0.75 } }, charted)
run('counted', { known: sheet('quillon-q40-counted') }, ['quillon-q40'])

/** What is advised to be read next against trying everything on thousands of drives. */
function compareNext(situations: number): void {
  let [same, regret] = [0, 0]
  const single = charted.filter((name) => sheet(name).chains.length === 1)
  for (let i = 0; i < situations; i++) {
    const { job } = drawCase(sheet(single[i % single.length]!), 104_729 + 31 * i)
    const few: JobFile = { ...job, readings: job.readings.filter((r) => r.kind !== 'linkCount').slice(0, 1 + (i % 4)) }
    const stakes = stakesOf(few)
    const assessment = assess(few)
    const tried = tryEverything(few, stakes, 17 + i, condemnedIn(assessment.calls))
    const rate = ({ worth, minutes }: { worth: number; minutes: number }) => worth / minutes
    const best = tried.reduce((a, b) => (rate(b) > rate(a) ? b : a))
    const next = assessment.next.find((one) =>
      tried.some(({ kind, target, from }) => kind === one.kind && target === one.target && from === one.from)
    )!
    const mine = tried.find(
      ({ kind, target, from, method }) =>
        kind === next.kind && target === next.target && from === next.from && method === next.method
    )!
    // Where nothing saves anything all are as good; so are two alike within what so many drives can tell.
    const short = rate(best) > 0 ? 1 - rate(mine) / rate(best) : 0
    if (short < 0.03) same++
    regret += short / situations
    if (process.argv.includes('--why') && short >= 0.03)
      console.log(
        few.drive.id,
        few.readings.map((r) => `${r.kind} ${r.value?.toFixed(2)}`).join(', '),
        '| advised',
        mine,
        '| best',
        best
      )
  }
  console.log(`next reading: ${same} of ${situations} the best per minute, mean regret ${(100 * regret).toFixed(1)} %`)
}

compareNext(Number(process.argv[3] ?? 60))

const FOLDS = 5
const FLEETS: Readonly<Record<string, (i: number) => Circumstances>> = {
  healthy: () => ({ rails: 0.5, stretch: 0.5 }),
  'worn rails': () => ({ rails: 2 }),
  mixed: (i) => (i % 2 ? { rails: 0.6, stretch: 0.6 } : { rails: 1.6, stretch: 1.2 })
}

interface Score {
  miss: number
  held: number
  all: number
}

/** How far a job's estimates lie from the truth, in the defaults' scales, and how many intervals hold it. */
function scoreOf(job: JobFile, truth: JudgedCase['truth']): Score {
  const { chains, rails } = estimate(job)
  const told = [
    ...Object.entries(chains).map(([id, { elongation }]) => ({
      of: elongation,
      is: truth.elongation[id]!,
      unit: 0.004
    })),
    ...Object.entries(rails).map(([id, { wear }]) => ({ of: wear, is: truth.wear[id]!, unit: 0.5 }))
  ]
  return {
    miss: told.reduce((sum, { of, is, unit }) => sum + Math.abs(of.mean - is) / unit, 0),
    held: told.filter(({ of, is }) => is >= of.low && is <= of.high).length,
    all: told.length
  }
}

/** What workshops of a size learn, against the defaults, on jobs that were left out of the learning. */
function holdOut(fleet: string, jobs: number): void {
  const cases = Array.from({ length: jobs }, (_, i) =>
    drawCase(sheet('ardmere-a18'), 50_021 + 97 * i, FLEETS[fleet]!(i))
  )
  const scores = Array.from({ length: FOLDS }, (_, fold) => {
    const priors = learnPriors(cases.filter((_, i) => i % FOLDS !== fold).map(({ job }) => job))
    return cases
      .filter((_, i) => i % FOLDS === fold)
      .map(({ job, truth }) => ({ usual: scoreOf(job, truth), learnt: scoreOf({ ...job, priors }, truth) }))
  }).flat()
  const sum = (of: 'usual' | 'learnt', what: keyof Score) => scores.reduce((total, one) => total + one[of][what], 0)
  const held = (of: 'usual' | 'learnt') => ((100 * sum(of, 'held')) / sum(of, 'all')).toFixed(1)
  const error = ((100 * sum('learnt', 'miss')) / sum('usual', 'miss')).toFixed(1)
  console.log(
    `${fleet.padEnd(11)} ${String(jobs).padStart(3)} jobs: error ${error} % of the default's, held ${held('learnt')} (default ${held('usual')})`
  )
}

for (const fleet of Object.keys(FLEETS)) for (const jobs of [30, 100, 300]) holdOut(fleet, jobs)
