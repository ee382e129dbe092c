import { explain } from '../core/estimate'
import { assess, type Assessment } from '../core/paths'
import type { Corrections } from '../core/drive'
import { randomness, type Roll } from '../core/math'
import { impossibleReading, type JobFile, type Reading, READING_KINDS } from '../core/readings'
import { drawCase } from '../test/support/judged'
import { jobOf } from '../test/support/jobs'
import { SHEETS, sheet } from '../test/support/sheets'

/**
 * Assessments of jobs whose readings are anything that can be written down, 100,000 of them (or another number, named
 * behind): none throws, none has a figure that is none.
 */
const wanted = Number(process.argv[2] ?? 100_000)
const sheets = SHEETS.map((name) => sheet(name))
let failed = 0

const WILD = [0, 1e-9, 0.5, 1, 25.4, 180, 360, -1, -360, 14.999, 500, 1e6, -1e6]

/** A reading with something about it changed. */
function disturb(reading: Reading, roll: Roll): Reading {
  if (reading.kind === 'condition') return reading
  const value = reading.value ?? 1
  const [least, greatest] = READING_KINDS[reading.kind].range
  const values = [value * roll.between(-2, 3), roll.pick(WILD), roll.between(least, greatest), Math.round(value), value]
  const changed = { ...reading, value: roll.pick(values) }
  return {
    ...changed,
    ...(roll.chance(0.2) ? { sigma: 10 ** roll.between(-5, 5) } : {}),
    ...(roll.chance(0.2) ? { turnedForward: roll.chance(0.5) } : {}),
    ...(roll.chance(0.1) ? { by: 'Maren' } : {}),
    ...(reading.kind === 'camLag' && roll.chance(0.2) ? { phaserLocked: roll.chance(0.5) } : {})
  } as Reading
}

function correctionsBy(roll: Roll): Corrections {
  return {
    ...(roll.chance(0.5) ? { skim: roll.chance(0.5) ? {} : { 1: roll.between(-2, 5) } } : {}),
    ...(roll.chance(0.5)
      ? {
          temperature: roll.chance(0.5)
            ? {}
            : { celsius: roll.between(-60, 200), block: roll.pick(['iron', 'aluminium']) }
        }
      : {}),
    ...(roll.chance(0.5) ? { offsetKeys: {} } : {})
  }
}

function wildJob(seed: number): JobFile {
  const roll = randomness(seed * 2_654_435 + 7)
  const drive = sheets[seed % sheets.length]!
  const { job } = drawCase(drive, seed)
  const odds = roll.uniform()
  const readings = job.readings.flatMap(({ id: _id, ...reading }): Reading[] => {
    const one = roll.chance(odds) ? disturb(reading as Reading, roll) : (reading as Reading)
    return roll.chance(0.15) ? [] : roll.chance(0.15) ? [one, disturb(one, roll)] : [one]
  })
  return {
    ...jobOf(readings, { drive }),
    corrections: correctionsBy(roll),
    school: roll.pick(['whole-set', 'on-evidence', 'weighed'])
  }
}

/** Places of figures that are none. */
function unfinished(value: unknown, place = ''): string[] {
  if (typeof value === 'number') return Number.isFinite(value) ? [] : [place]
  if (typeof value !== 'object' || value === null) return []
  return Object.entries(value).flatMap(([key, one]) => unfinished(one, `${place}.${key}`))
}

function check(job: JobFile): string | null {
  const assessment: Assessment = assess(job)
  const [first] = unfinished(assessment)
  if (first) return `a figure that is none at ${first}`
  if (job.readings.length % 9 === 1) {
    const [odd] = unfinished(explain(job))
    if (odd) return `an explanation's figure that is none at ${odd}`
  }
  const together = assessment.faults.some(({ code }) => code === 'not-together')
  return together && job.readings.every((reading) => !impossibleReading(job.drive, reading)) ? 'not computed' : null
}

for (let seed = 1; seed <= wanted; seed++) {
  try {
    const why = check(wildJob(seed))
    if (why) throw new Error(why)
  } catch (error) {
    failed++
    if (failed < 20) console.log(`job ${seed}: ${(error as Error).message}`)
  }
}
console.log(`${wanted} assessments, ${failed} failed`)
process.exit(failed === 0 ? 0 : 1)
