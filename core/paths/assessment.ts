import { formatVersion, listOf, needed, oneOf, shape, type Shape } from '../check'
import { partCall } from '../calls'
import { say } from './says'
import { estimateFields } from '../estimate'

/**
 * An assessment: what a job's readings mean, and a call for every part. Types, the check of signed assessments that
 * come in
 * with files, and the JSON Schema come from here.
 */
export const assessmentSchema = shape({
  format: oneOf('umbrette-assessment').required(needed),
  version: formatVersion(2),
  ...estimateFields,
  calls: listOf(partCall, 500).required(needed)
}).required(say('an-assessment'))

export type Assessment = Shape<typeof assessmentSchema>
