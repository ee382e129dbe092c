import { CALLS } from '../../calls'
import { id, needed, oneOf, words, type Shape } from '../../check'
import { say } from '../says'
import { type ActKind, actShape, type ActView } from './define'
import { partFaults } from './onPart'

const schema = () =>
  actShape('overrule', {
    part: id().required(needed),
    call: oneOf(...CALLS).required(needed),
    reason: words(1000, say('why'))
  })
type Own = Shape<ReturnType<typeof schema>>

/** A mechanic's own call on a part, with the reason; the evidence's call stays visible under it. */
export const overrule: ActKind<'overrule', ReturnType<typeof schema>> = {
  type: 'overrule',
  schema,
  locks: false,
  who: 'foreman',
  faults: partFaults
}

export const overruleView: ActView<Own, { overrules: Map<string, Own> }> = {
  fold(record, act) {
    record.overrules.set(act.part, act)
  }
}
