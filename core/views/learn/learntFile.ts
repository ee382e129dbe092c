import { formatVersion, id, listOf, moment, needed, oneOf, shape, type Shape, text } from '../../check'
import { learntFigureFields } from '../../readings'
import { say } from './says'

/** Types of engine in one file at the most. */
const MOST_TYPES = 500

/**
 * What a workshop has learnt of types of engine, to be given to others: no job, customer, vehicle or person is in it.
 */
export const learntFileSchema = shape({
  format: oneOf('umbrette-learnt').required(needed),
  version: formatVersion(1),
  /** Tells one workshop's files from another's, and nothing else of it: a newer one takes the older one's place. */
  from: id().required(needed),
  at: moment().required(needed),
  /** Version of the core that learnt it. */
  core: text(20),
  types: listOf(
    shape({
      sheet: shape({ id: id().required(needed), name: text(200).required(needed) }).required(needed),
      priors: shape(learntFigureFields).required(needed)
    }).required(needed),
    MOST_TYPES
  ).required(needed)
}).required(say('a-learnt-file'))

export type LearntFile = Shape<typeof learntFileSchema>
