import { CALLS } from '../../calls'
import { id, needed, oneOf, words } from '../../check'
import { type ActKind, actShape } from './define'
import type { ActView } from './views'
import { partFaults } from './onPart'

const schema = () => actShape('overrule', { part: id().required(needed), call: oneOf(...CALLS).required(needed), reason: words(1000, 'say why') })

/** A mechanic's own call on a part, with the reason; the evidence's call stays visible under it. */
export const overrule: ActKind<'overrule', ReturnType<typeof schema>> = {
  type: 'overrule', schema,
  locks: false, who: 'foreman', faults: partFaults
}

export const overruleView: ActView<'overrule'> = {
  subject: 'The overruled call',
  fold(record, act) {
    record.overrules.set(act.part, act)
  }
}
