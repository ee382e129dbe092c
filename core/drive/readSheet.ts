import { type Fault, schemaFaults } from '../check'
import { geometryFaults } from './geometryFaults'
import { referenceFaults } from './references'
import { driveSchema, type DriveSheet } from '../sheet'

/** Everything wrong with a drive sheet from outside, each with its place; empty when it is sound. Never throws. */
export function sheetFaults(value: unknown, at = ''): Fault[] {
  const structure = schemaFaults(driveSchema, value, at)
  if (structure.length > 0) return structure
  const sheet = value as DriveSheet
  const references = referenceFaults(sheet)
  const faults = references.length > 0 ? references : geometryFaults(sheet)
  return at ? faults.map((fault) => ({ ...fault, place: `${at}.${fault.place}` })) : faults
}

/** Characters of sheets remembered at the most; a fleet has few engine types. */
const REMEMBERED = 16_000_000

/**
 * A check like sheetFaults that remembers which sheets were sound, to the letter, and passes those without another
 * look.
 */
export function rememberingSheets(): typeof sheetFaults {
  const sound = new Set<string>()
  let held = 0
  return (value, at) => {
    const text = JSON.stringify(value)
    if (sound.has(text)) return []
    const faults = sheetFaults(value, at)
    if (faults.length > 0 || held + text.length > REMEMBERED) return faults
    sound.add(text)
    held += text.length
    return faults
  }
}
