import { ELONGATION_MAX, JUMP_MAX } from '../math'
import type { Chain, DriveSheet } from '../sheet'
import { methodSigma, READING_KINDS } from './kinds'
import { sheetCount } from './sheetCount'
import { readingSigma } from './sigma'
import type { Reading } from './types'

/**
 * Why a well-formed reading cannot be true of this drive (a negative groove, an extension beyond the stroke), as one
 * sentence that says what to do; null when it can. Such a reading is left out of an estimate and named.
 */
export function impossibleReading(sheet: DriveSheet, reading: Reading): string | null {
  if (reading.kind === 'condition') return null
  const spec = READING_KINDS[reading.kind]
  if (reading.sigma === undefined && methodSigma(reading.kind, reading.method) === null) {
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
