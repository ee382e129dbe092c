import { id, needed, shape, type Shape, words } from '../../check'
import { type ActKind, actShape, type ActView } from './define'
import { renewedParts, renewFaults } from './onPart'

const schema = () =>
  actShape('path', {
    renew: renewedParts(),
    /** A way that does less than a repair: which, and the name of who accepted what it leaves open. */
    partial: shape({ id: id().required(needed), accepted: words(120) })
  })
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
