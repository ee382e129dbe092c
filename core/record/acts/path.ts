import type { Shape } from '../../check'
import { type ActKind, actShape, type ActView } from './define'
import { renewedParts, renewFaults } from './onPart'

const schema = () => actShape('path', { renew: renewedParts() })
type Own = Shape<ReturnType<typeof schema>>

/** The path that the workshop advises: the components renewed. */
export const path: ActKind<'path', ReturnType<typeof schema>> = {
  type: 'path',
  schema,
  locks: false,
  who: 'mechanic',
  faults: renewFaults
}

export const pathView: ActView<Own, { path: Own | null }> = {
  fold(record, act) {
    record.path = act
  }
}
