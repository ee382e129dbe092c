import { flag, id, num, oneOf, schemaFaults, shape, text, whole, needed } from '../check/rules'
import { drivenSprockets } from '../drive/elements'
import { ELONGATION_MAX, JUMP_MAX } from '../constants'
import type { Chain, DriveSheet, Fault } from '../sheet/types'
import { COUNTED_FINDINGS, FINDINGS, findingWords, partKindOf } from './conditions'
import { READING_KIND_NAMES, READING_KINDS, methodOf } from './kinds'
import { readingSigma } from './sigma'
import { sheetCount } from './sheetCount'
import type { NumericKind, Reading } from './types'

/** The structure of a reading; whether its kind has the targets it needs is checked by readingStructureFaults. */
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
  if (faults.length > 0) return faults
  const reading = value as Reading
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

/**
 * Why a well-formed reading cannot be true of this drive (a negative groove, an extension beyond the stroke), as one
 * sentence that says what to do; null when it can. Such a reading is left out of an estimate and named.
 */
export function impossibleReading(sheet: DriveSheet, reading: Reading): string | null {
  if (reading.kind === 'condition') return null
  const spec = READING_KINDS[reading.kind]
  if (reading.sigma === undefined && spec.methods[methodOf(reading.kind, reading.method)] === undefined) {
    return `method "${reading.method}" is not one of ${Object.keys(spec.methods).join(', ')}, and no sigma is given`
  }
  if (reading.kind === 'extension') return impossibleExtension(sheet, reading)
  const value = reading.value!
  const [least, greatest] = spec.range
  if (value < 0 && least === 0) return `${spec.name.toLowerCase()} cannot be below 0 ${spec.unit}: check the sign`
  if (value < least || value > greatest) return `expected ${least} to ${greatest} ${spec.unit}: read it again`
  const chain = sheet.chains.find((c) => c.id === reading.chain)
  if (reading.kind === 'linkCount') return impossibleCount(chain!, reading)
  if (reading.kind === 'chainLength') return impossibleLength(chain!, reading.links!, value - reading.links! * chain!.pitch, value)
  if (reading.kind === 'chainCompare') return impossibleLength(chain!, reading.links!, value, value)
  return null
}

function impossibleExtension(sheet: DriveSheet, reading: Reading): string | null {
  const tensioner = sheet.tensioners.find((t) => t.id === reading.tensioner)!
  if (reading.value === undefined) {
    if (!tensioner.ratchet) return 'this tensioner has no ratchet on its sheet: give the extension in mm'
    const most = Math.floor((tensioner.stroke - tensioner.ratchet.first) / tensioner.ratchet.pitch) + 1
    return reading.notches! <= most ? null : `the stroke of ${tensioner.stroke} mm shows at most ${most} notches: count again`
  }
  if (reading.value < 0) return 'tensioner extension cannot be below 0 mm: measure from fully retracted'
  const over = reading.value - tensioner.stroke
  if (over <= 2 * (readingSigma(sheet, reading) ?? 0)) return null
  return `${reading.value} mm is beyond the stroke of ${tensioner.stroke} mm: measure from the fully retracted tip, and check the unit`
}

function impossibleCount(chain: Chain, reading: Reading): string | null {
  if (!Number.isInteger(2 * reading.value!)) return 'count whole links, or halves where a mark stands between two'
  const expected = sheetCount(chain, reading.from!, reading.to!)
  if (expected === null) return 'the sheet has no counts for this chain to compare with'
  const off = reading.value! - expected
  if (Math.abs(off) <= 2 * JUMP_MAX) return null
  return `${reading.value} links is ${Math.abs(off)} ${off > 0 ? 'more' : 'fewer'} than the sheet's ${expected}: check which marks the run goes between, and count again`
}

function impossibleLength(chain: Chain, links: number, longer: number, value: number): string | null {
  if (links > chain.links) return `the chain has ${chain.links} links: check over how many it was measured`
  const asNew = links * chain.pitch
  if (longer >= -0.01 * asNew && longer <= ELONGATION_MAX * asNew) return null
  return `${value} mm does not fit ${links} links (new: ${asNew.toFixed(2)} mm): check the number of links, and pin to pin`
}
