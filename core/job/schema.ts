import { byIds, elsewhere, formatVersion, listOf, moment, needed, num, oneOf, shape, text, words, type Shape } from '../check/rules'
import { pricingSchema } from '../paths/pricingSchema'
import type { Reading } from '../readings/types'
import { driveSchema } from '../sheet/schema'
import type { DriveSheet } from '../sheet/types'
import type { Act } from './acts'

const numbers = (min: number, max: number) => byIds(num(min, max).required(needed), `expected numbers from ${min} to ${max}`)

/** Things known about this engine that shift readings as much as wear does. */
export const correctionsSchema = shape({
  /** mm machined off the head or block face, by bank. */
  skim: numbers(-2, 5),
  /** Engine temperature when it was read, °C, and what the block is made of. */
  temperature: shape({ celsius: num(-60, 200).required(needed), block: oneOf('aluminium', 'iron').required(needed) }),
  /** Crank degrees (+ = late) that an offset key or dowel adds to a cam's reading, by sprocket. */
  offsetKeys: numbers(-30, 30)
})

export const usageSchema = shape({ value: num(0, 1e7).required(needed), unit: oneOf('km', 'mi', 'h').required(needed) }).required(needed)

export const schoolSchema = oneOf('whole-set', 'on-evidence', 'weighed').required(needed)

/** How long a chain was at some usage: usage in the job's unit, elongations as fractions. */
const wearPoint = shape({ usage: num(0, 1e7).required(needed), mean: num(-0.01, 0.1).required(needed), sd: num(1e-7, 0.1).required(needed) }).required(needed)

/** What is known of an engine beside a job's readings. */
export const earlierKnownFields = {
  /** Usage at which a component was fitted, by id; absent for one that came with the engine. */
  fitted: numbers(0, 1e7),
  /** Usage from now over which coming back counts. */
  horizon: num(0, 1e7),
  /** What paths are priced with, where it is not the sheet's and the defaults. */
  pricing: pricingSchema,
  /** Earlier estimates of the same chains, by id, from jobs on this engine. */
  history: byIds(listOf(wearPoint, 500).required(needed), 'expected lists of { usage, mean, sd }')
}
export const earlierKnownSchema = shape(earlierKnownFields)

/** What a workshop keeps of a job beside its readings. */
export const factFields = { vehicle: words(120, 'name the vehicle'), stand: text(60), complaint: text(4000), openedBy: text(80), openedAt: moment() }

/** Most readings, acts and photos that a job can hold, in the workshop as in a file. */
export const MOST = { readings: 5000, acts: 20_000, photos: 500 } as const

/** Most characters that a picture in a file can come to: 16 MB in base64. */
const PICTURE = 24 * 1024 * 1024

/**
 * A job file: what the core needs to assess it and, where it comes from a workshop, all that was ever done on it. Drive,
 * readings and acts are checked by their own rules.
 */
export const jobSchema = shape({
  format: oneOf('umbrette-job').required(needed),
  version: formatVersion(1),
  drive: elsewhere<DriveSheet>(() => driveSchema).required(needed),
  usage: usageSchema, school: schoolSchema, corrections: correctionsSchema,
  readings: listOf(elsewhere<Reading>().required(needed), MOST.readings).required(needed),
  ...earlierKnownFields,
  /** Beside what is assessed: who brought it in and how it was opened. */
  job: shape(factFields),
  /** The school the job was opened under, before any act changed it. */
  openedUnder: oneOf('whole-set', 'on-evidence', 'weighed'),
  /** What was known of the engine then. */
  openedWith: shape({ corrections: correctionsSchema, ...earlierKnownFields }),
  /** The drive sheet it was opened with, where it was moved to another revision since. */
  openedOn: elsewhere<DriveSheet>(() => driveSchema),
  acts: listOf(elsewhere<Act>().required(needed), MOST.acts),
  /** Its photos as JPEG in base64, where they travel with it. */
  photos: listOf(shape({ id: text(64).required(needed), jpeg: text(PICTURE).required(needed) }).required(needed), MOST.photos)
}).required('expected a job')

/** A job file with all that it may bring. */
export type WholeJobFile = Shape<typeof jobSchema>
