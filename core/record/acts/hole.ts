import { id, needed, num, type Shape } from '../../check'
import { type ActKind, actShape, type ActView } from './define'

const schema = () =>
  actShape('hole', {
    cover: id().required(needed),
    x: num(0, 1).required(needed),
    y: num(0, 1).required(needed),
    length: num(1, 500).required(needed)
  })
type Own = Shape<ReturnType<typeof schema>>

/**
 * A bolt hole of a cover (by the operation that took it off) with its bolt's length in mm, put on the picture at
 * teardown: 0 to 1 from left and top.
 */
export const hole: ActKind<'hole', ReturnType<typeof schema>> = {
  type: 'hole',
  schema,
  locks: false,
  who: 'mechanic'
}

export const holeView: ActView<Own, { holes: Own[] }> = {
  fold(record, act) {
    record.holes.push(act)
  }
}
