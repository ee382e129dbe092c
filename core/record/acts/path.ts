import { id, listOf, needed } from '../../check'
import { type ActKind, actShape } from './define'
import type { ActView } from './views'
import { renewFaults } from './onPart'

const schema = () => actShape('path', { renew: listOf(id().required(needed), 64).required(needed) })

/** The path that the workshop advises: the components renewed. */
export const path: ActKind<'path', ReturnType<typeof schema>> = {
  type: 'path', schema,
  locks: false, who: 'mechanic', faults: renewFaults
}

export const pathView: ActView<'path'> = {
  subject: 'The path advised',
  fold(record, act) {
    record.path = act
  }
}
