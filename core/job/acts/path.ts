import { id, listOf, needed } from '../../check/rules'
import { actShape, type ActKind } from './define'
import { renewFaults } from './onPart'

const schema = actShape('path', { renew: listOf(id().required(needed), 64).required(needed) })

/** The path that the workshop advises: the components renewed. */
export const path: ActKind<'path', typeof schema> = {
  type: 'path', schema,
  locks: false, who: 'mechanic', subject: 'The path advised', faults: renewFaults,
  fold(record, act) {
    record.path = act
  }
}
