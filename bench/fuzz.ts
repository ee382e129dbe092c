import { sayFault } from '../words/en'
import { assess } from '../core/paths'
import type { Reading } from '../core/readings'
import { sheetFaults } from '../core/drive'
import { changeAtRandom } from '../test/support/changes'
import { jobOf } from '../test/support/jobs'
import { SHEETS, sheet } from '../test/support/sheets'

/**
 * Every shipped sheet with one thing in it changed at random, 10,000 times (or another number, named behind): each is
 * refused with its place or computed.
 */
const wanted = Number(process.argv[2] ?? 10_000)
let failed = 0

/** Refused with its place, or computed: anything else is an error. @returns whether it was computed */
function isComputed(changed: ReturnType<typeof sheet>): boolean {
  const faults = sheetFaults(changed)
  if (faults.some((fault) => sayFault(fault) === fault.code)) throw new Error('a fault without words')
  if (faults.length > 0) return false
  const readings = [
    ...changed.tensioners.map(({ id, stroke }): Reading => ({ kind: 'extension', tensioner: id, value: stroke / 2 })),
    ...changed.rails.map(({ id }): Reading => ({ kind: 'groove', rail: id, value: 0.5 }))
  ]
  const { chains, faults: left } = assess(jobOf(readings, { drive: changed }))
  if (
    Object.values(chains).some(({ elongation }) => !Number.isFinite(elongation.mean + elongation.sd)) ||
    left.some(({ code }) => code === 'not-together')
  )
    throw new Error('not computed')
  return true
}

for (const name of SHEETS) {
  const text = JSON.stringify(sheet(name))
  let sound = 0
  for (let seed = 1; seed <= wanted; seed++) {
    try {
      sound += isComputed(changeAtRandom(JSON.parse(text) as ReturnType<typeof sheet>, seed)) ? 1 : 0
    } catch (error) {
      failed++
      console.log(`${name}, change ${seed}: ${(error as Error).message}`)
    }
  }
  console.log(`${name}: ${wanted} changes, ${wanted - sound} refused with their place, ${sound} computed`)
}
process.exit(failed === 0 ? 0 : 1)
