import { byIds, formatVersion, listOf, needed, num, oneOf, schemaFaults, shape } from '../check/rules'
import { mixed } from 'yup'
import { readingStructureFaults } from '../readings/checkReading'
import { partKindOf } from '../readings/conditions'
import { pricingSchema } from '../paths/pricingSchema'
import { sheetFaults } from '../sheet/readSheet'
import type { DriveSheet, Fault } from '../sheet/types'
import type { JobFile } from './types'

const numbers = (min: number, max: number) => byIds(num(min, max).required(needed), `expected numbers from ${min} to ${max}`)

/** What is known of the engine that shifts readings. */
export const correctionsSchema = shape({
  skim: numbers(-2, 5),
  temperature: shape({ celsius: num(-60, 200).required(needed), block: oneOf('aluminium', 'iron').required(needed) }),
  offsetKeys: numbers(-30, 30)
})

export const usageSchema = shape({ value: num(0, 1e7).required(needed), unit: oneOf('km', 'mi', 'h').required(needed) }).required(needed)

export const schoolSchema = oneOf('whole-set', 'on-evidence', 'weighed').required(needed)

const wearPoint = shape({ usage: num(0, 1e7).required(needed), mean: num(-0.01, 0.1).required(needed), sd: num(1e-7, 0.1).required(needed) }).required(needed)

/** What is known of an engine beside a job's readings. */
export const earlierKnownFields = {
  fitted: numbers(0, 1e7), horizon: num(0, 1e7), pricing: pricingSchema, history: byIds(listOf(wearPoint, 500).required(needed), 'expected lists of { usage, mean, sd }')
}

/** The structure of a job; drive and readings are checked by their own. */
export const jobSchema = shape({
  format: oneOf('umbrette-job').required(needed),
  version: formatVersion(1),
  drive: mixed().required(needed),
  usage: usageSchema, school: schoolSchema, corrections: correctionsSchema,
  readings: listOf(mixed(), 5000).required(needed),
  ...earlierKnownFields
}).required('expected a job')

/**
 * A job from outside, checked once: afterwards every field can be trusted. A reading that cannot be true (a negative
 * groove) is no fault here: the estimate names it and leaves it out.
 * @param checkSheet what checks the sheet; pass one that remembers (rememberingSheets) to read many jobs of few engines
 * @returns the job, or what is wrong with it, each fault with its place; never throws
 */
export function readJob(value: unknown, checkSheet: typeof sheetFaults = sheetFaults): { job: JobFile; faults: [] } | { job: null; faults: Fault[] } {
  const structure = schemaFaults(jobSchema, value)
  if (structure.length > 0) return { job: null, faults: structure }
  const { drive, readings } = value as { drive: unknown; readings: unknown[] }
  const sheet = checkSheet(drive, 'drive')
  if (sheet.length > 0) return { job: null, faults: sheet }
  const strangers = [...Object.keys((value as JobFile).fitted ?? {}).map((id) => ({ id, field: 'fitted' })), ...Object.keys((value as JobFile).history ?? {}).map((id) => ({ id, field: 'history' }))]
    .filter(({ id }) => partKindOf(drive as DriveSheet, id) === null)
    .map(({ id, field }): Fault => ({ place: `${field}.${id}`, message: `"${id}" is no part of this drive` }))
  if (strangers.length > 0) return { job: null, faults: strangers }
  const faults = readings.flatMap((reading, i) => readingStructureFaults(drive as DriveSheet, reading, `readings[${i}]`))
  return faults.length > 0 ? { job: null, faults } : { job: value as JobFile, faults: [] }
}
