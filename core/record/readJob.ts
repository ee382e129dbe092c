import { type Fault, faultsOfEach, schemaFaults } from '../check'
import { readingStructureFaults, type JobFile, type Reading, withIds } from '../readings'
import { type DriveSheet, partKindOf } from '../sheet'
import { sheetFaults } from '../drive'
import { jobSchema } from './schema'
import { faultAt } from './says'

/**
 * A job from outside, checked once: afterwards every field can be trusted, and every reading has an id. A reading that
 * cannot be true (a negative groove) is no fault here: the estimate names it and leaves it out.
 * @param checkSheet what checks the sheet; pass one that remembers (rememberingSheets) to read many jobs of few engines
 * @returns the job, or what is wrong with it, each fault with its place; never throws
 */
export function readJob(
  value: unknown,
  checkSheet: typeof sheetFaults = sheetFaults
): { job: JobFile; faults: [] } | { job: null; faults: Fault[] } {
  const structure = schemaFaults(jobSchema, value)
  if (structure.length > 0) return { job: null, faults: structure }
  const { drive, readings } = value as { drive: unknown; readings: unknown[] }
  const sheet = checkSheet(drive, 'drive')
  if (sheet.length > 0) return { job: null, faults: sheet }
  const strangers = [
    ...Object.keys((value as JobFile).fitted ?? {}).map((id) => ({ id, field: 'fitted' })),
    ...Object.keys((value as JobFile).history ?? {}).map((id) => ({ id, field: 'history' }))
  ]
    .filter(({ id }) => partKindOf(drive as DriveSheet, id) === null)
    .map(({ id, field }): Fault => faultAt(`${field}.${id}`, 'no-part', { id }))
  if (strangers.length > 0) return { job: null, faults: strangers }
  const faults = faultsOfEach(readings, (reading, i) =>
    readingStructureFaults(drive as DriveSheet, reading, `readings[${i}]`)
  )
  return faults.length > 0
    ? { job: null, faults }
    : { job: { ...(value as JobFile), readings: withIds(readings as Reading[]) }, faults: [] }
}
