import { listOf, needed, num, oneOf, shape, type Shape, word } from '../../check'
import { SUSPECT_IDS } from './table'

/**
 * What a workshop holds otherwise than the table that ships: a suspect's share before anything is asked, and how many
 * times likelier an answer makes it.
 */
export const ownSuspectsSchema = shape({
  priors: listOf(
    shape({ suspect: oneOf(...SUSPECT_IDS).required(needed), prior: num(0, 1).required(needed) }).required(needed),
    SUSPECT_IDS.length
  ).required(needed),
  bearings: listOf(
    shape({
      finding: word(60).required(needed),
      suspect: oneOf(...SUSPECT_IDS).required(needed),
      factor: num(0.01, 100).required(needed)
    }).required(needed),
    2000
  ).required(needed)
}).required(needed)

export type OwnSuspects = Shape<typeof ownSuspectsSchema>
