import { CALLS } from '../../assessment/schema'
import { id, needed, oneOf, words } from '../../check/rules'
import { actShape, type ActKind } from './define'
import { partFaults } from './onPart'

const schema = actShape('overrule', { part: id().required(needed), call: oneOf(...CALLS).required(needed), reason: words(1000, 'say why') })

/** A mechanic's own call on a part, with the reason; the evidence's call stays visible under it. */
export const overrule: ActKind<'overrule', typeof schema> = {
  type: 'overrule', schema,
  locks: false, who: 'foreman', subject: 'The overruled call', faults: partFaults,
  fold(record, act) {
    record.overrules.set(act.part, act)
  }
}
