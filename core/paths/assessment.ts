import { flag, formatVersion, listOf, needed, num, oneOf, shape, type Shape, text } from '../check'
import { partCall } from '../calls'
import { say } from './says'
import { estimateFields } from '../estimate'

/**
 * An assessment: what a job's readings mean, and a call for every part. Types, the check of signed assessments that
 * come in with files, and the JSON Schema come from here.
 */
export const assessmentSchema = shape({
  format: oneOf('umbrette-assessment').required(needed),
  version: formatVersion(2),
  ...estimateFields,
  calls: listOf(partCall, 500).required(needed),
  /** What deciding as it stands is expected to cost, what a minute more at it costs, and whether any is worth that. */
  decision: shape({
    loss: num(0, 1e12).required(needed),
    minute: num(0, 1e6).required(needed),
    /** Null: in equal units, as the sheet has no prices. */
    currency: text(8).nullable().defined(needed),
    enough: flag().required(needed)
  })
}).required(say('an-assessment'))

export type Assessment = Shape<typeof assessmentSchema>
