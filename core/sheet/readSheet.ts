import { schemaFaults } from '../check/rules'
import { geometryFaults } from './geometryFaults'
import { referenceFaults } from './references'
import { driveSchema } from './schema'
import type { DriveSheet, Fault } from './types'

/** Everything wrong with a drive sheet from outside, each with its place; empty when it is sound. Never throws. */
export function sheetFaults(value: unknown, at = ''): Fault[] {
  const structure = schemaFaults(driveSchema, value, at)
  if (structure.length > 0) return structure
  const sheet = value as DriveSheet
  const references = referenceFaults(sheet)
  const faults = references.length > 0 ? references : geometryFaults(sheet)
  return at ? faults.map((fault) => ({ ...fault, place: `${at}.${fault.place}` })) : faults
}
