import { listOf, needed, oneOf, shape, type Shape, text, word } from '../check'
import { figure, ids, orNull, said } from '../estimate'
import { NUMERIC_KINDS } from '../readings'
import { CALLS } from './severity'

const reason = shape({
  /** Name of the rule that gave it. */
  rule: word(64).required(needed),
  /** The call that this reason alone would make. */
  call: oneOf(...CALLS).required(needed),
  /** Why, as a code with its figures. */
  ...said,
  /** Ids of the readings behind it. */
  readings: ids(),
  /** The limit it was held against, and where that comes from. */
  limit: orNull(
    shape({
      kind: text(40).required(needed),
      value: figure(),
      unit: text(40).required(needed),
      source: text(200).required(needed)
    })
  ),
  /** The reading that would decide, where the evidence does not. */
  settle: shape({ kind: oneOf(...NUMERIC_KINDS).required(needed), target: text(64).required(needed) }),
  /** On a hold (`stop`): what releases it. */
  release: shape(said)
}).required(needed)

export const partCall = shape({
  part: text(64).required(needed),
  call: oneOf(...CALLS).required(needed),
  reasons: listOf(reason, 500).required(needed)
}).required(needed)

/** A call for one part with its reasons. */
export type PartCall = Shape<typeof partCall>
