import { flag, id, num, oneOf, schemaFaults, shape, text, whole, needed } from '../check/rules'
import { drivenSprockets } from '../drive/elements'
import type { Chain, DriveSheet, Fault } from '../sheet/types'
import { COUNTED_FINDINGS, FINDINGS, findingWords, partKindOf } from './conditions'
import { READING_KIND_NAMES, READING_KINDS } from './kinds'
import type { NumericKind, Reading } from './types'

/** The structure of a reading; whether its kind has the targets it needs is checked by readingTargetFaults. */
export const readingSchema = shape({
  kind: oneOf(...READING_KIND_NAMES).required(needed),
  value: num(-1e6, 1e6), notches: whole(0, 1000),
  sigma: num(1e-6, 1e6), method: text(40), turnedForward: flag(), phaserLocked: flag(),
  tensioner: id(), rail: id(), sprocket: id(), chain: id(), from: id(), to: id(), links: whole(1, 2000), phaser: id(),
  place: whole(1, 99), target: id(), finding: text(40), bank: whole(0, 16), count: whole(1, 999),
  id: text(64), by: text(80), at: text(40), note: text(4000)
}).required('expected a reading')

/**
 * What makes a reading no reading of this drive: structure, an unknown kind, a target that the sheet does not have.
 * A job file with such a reading is faulty as a whole.
 */
export function readingStructureFaults(sheet: DriveSheet, value: unknown, place = ''): Fault[] {
  const faults = schemaFaults(readingSchema, value, place)
  return faults.length > 0 ? faults : readingTargetFaults(sheet, value as Reading, place)
}

/** What makes a reading of sound structure no reading of this drive: a target that its kind lacks or the sheet does not have. */
export function readingTargetFaults(sheet: DriveSheet, reading: Reading, place = ''): Fault[] {
  const faults: Fault[] = []
  const at = (field: string) => (place ? `${place}.${field}` : field)
  if (reading.kind === 'condition') return conditionFaults(sheet, reading, at)
  if (reading.value === undefined && !(reading.kind === 'extension' && reading.notches !== undefined)) {
    faults.push({ place: at('value'), message: 'is missing: expected a number' })
  }
  for (const field of READING_KINDS[reading.kind].target) {
    const message = targetFault(sheet, reading, field)
    if (message) faults.push({ place: at(field), message })
  }
  return faults
}

/** A finding must be of a part of this drive (or oil, fasteners, engine) and on the closed list of that kind of part. */
function conditionFaults(sheet: DriveSheet, { target, finding, count, value }: Reading, at: (field: string) => string): Fault[] {
  if (value !== undefined) return [{ place: at('value'), message: 'a condition has no value: leave it out' }]
  if (target === undefined) return [{ place: at('target'), message: needed }]
  if (finding === undefined) return [{ place: at('finding'), message: needed }]
  const kind = partKindOf(sheet, target)
  if (!kind) return [{ place: at('target'), message: `"${target}" is no part of this drive, nor oil, fasteners or engine` }]
  if (!findingWords(kind, finding)) return [{ place: at('finding'), message: `"${finding}" is no finding of ${kind}: expected ${Object.keys(FINDINGS[kind]).join(', ')}` }]
  if (count === undefined && COUNTED_FINDINGS.includes(finding)) return [{ place: at('count'), message: 'is missing: say how many pieces' }]
  return []
}

function targetFault(sheet: DriveSheet, reading: Reading, field: (typeof READING_KINDS)[NumericKind]['target'][number]): string | null {
  const target = reading[field]
  if (target === undefined) return needed
  if (field === 'links') return null
  const chain = sheet.chains.find((c) => c.id === reading.chain)
  if (field === 'from' || field === 'to') return runFault(sheet, reading, field, chain)
  if (field === 'sprocket') return sheet.chains.some((c) => drivenSprockets(sheet, c).includes(String(target))) ? null : `"${target}" is no driven sprocket of this drive`
  return sheet[`${field}s` as const].some((part) => part.id === target) ? null : `"${target}" is no ${field} of this drive`
}

function runFault(sheet: DriveSheet, reading: Reading, field: 'from' | 'to', chain: Chain | undefined): string | null {
  if (!chain) return null
  const target = reading[field]!
  if (target !== chain.driver && !drivenSprockets(sheet, chain).includes(target)) return `"${target}" is no sprocket on chain "${chain.id}"`
  return field === 'to' && reading.from === reading.to ? 'expected another sprocket than the run starts from' : null
}
