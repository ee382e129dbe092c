import type { Message } from '../check'
import { ELONGATION_MAX, JUMP_MAX } from '../math'
import { type Chain, compileSheet, type DriveSheet } from '../sheet'
import { methodSigma, READING_KINDS } from './kinds'
import { sheetCount } from './sheetCount'
import { freeExtension, readingSigma } from './sigma'
import { sayUntrue as say } from './untrue'
import type { Of, Reading } from './types'

/**
 * Why a well-formed reading cannot be true of this drive (a negative groove, an extension beyond the stroke); null when
 * it can. Such a reading is left out of an estimate and named.
 */
export function impossibleReading(sheet: DriveSheet, reading: Reading): Message | null {
  if (reading.kind === 'condition') return null
  const {
    methods,
    range: [least, greatest],
    unit
  } = READING_KINDS[reading.kind]
  if (reading.sigma === undefined && methodSigma(reading.kind, reading.method) === null)
    return say('method-unknown', { method: reading.method ?? '', methods: Object.keys(methods) })
  if (reading.kind === 'extension') return impossibleExtension(sheet, reading)
  const { value } = reading
  if (value < 0 && least === 0) return say('below-0', { kind: reading.kind, unit })
  if (value < least || value > greatest) return say('out-of-range', { least, greatest, unit })
  if (reading.kind === 'linkCount') return impossibleCount(compileSheet(sheet).chain(reading.chain), reading)
  if (reading.kind !== 'chainLength' && reading.kind !== 'chainCompare') return null
  const chain = compileSheet(sheet).chain(reading.chain)
  return impossibleLength(
    chain,
    reading.links,
    reading.kind === 'chainLength' ? value - reading.links * chain.pitch : value,
    value
  )
}

function impossibleExtension(sheet: DriveSheet, reading: Of<'extension'>): Message | null {
  const tensioner = compileSheet(sheet).tensioner(reading.tensioner)
  const { stroke, ratchet } = tensioner
  if (reading.value === undefined && reading.gap !== undefined) {
    const free = freeExtension(tensioner)
    return reading.gap <= free + 2 ? null : say('gap-beyond-free', { gap: reading.gap, free })
  }
  if (reading.value === undefined) {
    if (!ratchet) return say('no-ratchet')
    const most = Math.floor((stroke - ratchet.first) / ratchet.pitch) + 1
    return (reading.notches ?? 0) <= most ? null : say('notches-at-most', { stroke, most })
  }
  if (reading.value < 0) return say('extension-below-0')
  const over = reading.value - stroke
  return over <= 2 * (readingSigma(sheet, reading) ?? 0) ? null : say('beyond-stroke', { value: reading.value, stroke })
}

function impossibleCount(chain: Chain, { value, from, to }: Of<'linkCount'>): Message | null {
  if (!Number.isInteger(2 * value)) return say('whole-links')
  const expected = sheetCount(chain, from, to)
  if (expected === null) return say('no-counts')
  return Math.abs(value - expected) <= 2 * JUMP_MAX ? null : say('count-off', { value, expected })
}

function impossibleLength(chain: Chain, links: number, longer: number, value: number): Message | null {
  if (links > chain.links) return say('links-of-chain', { links: chain.links })
  const asNew = links * chain.pitch
  return longer >= -0.01 * asNew && longer <= ELONGATION_MAX * asNew
    ? null
    : say('length-unfit', { value, links, asNew })
}
