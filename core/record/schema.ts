import { elsewhere, formatVersion, listOf, moment, needed, oneOf, shape, type Shape, text, words } from '../check'
import { correctionsSchema } from '../drive'
import { earlierKnownFields, type Reading, schoolSchema, usageSchema } from '../readings'
import { driveSchema, type DriveSheet } from '../sheet'
import type { Act } from './acts'
import { say } from './says'

/** What a workshop keeps of a job beside its readings. */
export const factFields = {
  vehicle: words(120, say('vehicle')),
  stand: text(60),
  complaint: text(4000),
  openedBy: text(80),
  openedAt: moment()
}

/** Most readings, acts and photos that a job can hold, in the workshop as in a file. */
export const MOST = { readings: 5000, acts: 20_000, photos: 500 } as const

/** Most characters that a picture in a file can come to: 16 MB in base64. */
const PICTURE = 24 * 1024 * 1024

/**
 * A job file: what the core needs to assess it and, where it comes from a workshop, all that was ever done on it.
 * Drive, readings and acts are checked by their own rules.
 */
export const jobSchema = shape({
  format: oneOf('umbrette-job').required(needed),
  version: formatVersion(1),
  drive: elsewhere<DriveSheet>(() => driveSchema).required(needed),
  usage: usageSchema,
  school: schoolSchema,
  corrections: correctionsSchema,
  readings: listOf(elsewhere<Reading>().required(needed), MOST.readings).required(needed),
  ...earlierKnownFields,
  /** Beside what is assessed: who brought it in and how it was opened. */
  job: shape(factFields),
  /** The school the job was opened under, before any act changed it. */
  openedUnder: oneOf('whole-set', 'on-evidence', 'weighed'),
  /** What was known of the engine then. */
  openedWith: shape({ usage: usageSchema.optional(), corrections: correctionsSchema, ...earlierKnownFields }),
  /** The drive sheet it was opened with, where it was moved to another revision since. */
  openedOn: elsewhere<DriveSheet>(() => driveSchema),
  acts: listOf(elsewhere<Act>().required(needed), MOST.acts),
  /** Its photos as JPEG in base64, where they travel with it. */
  photos: listOf(
    shape({ id: text(64).required(needed), jpeg: text(PICTURE).required(needed) }).required(needed),
    MOST.photos
  )
}).required(say('a-job'))

/** A job file with all that it may bring. */
export type WholeJobFile = Shape<typeof jobSchema>
