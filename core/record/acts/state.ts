import { needed, oneOf, type Shape } from '../../check'
import { type ActKind, actShape, type ActView } from './define'

const schema = () => actShape('state', { state: oneOf('open', 'closed', 'archived', 'deleted').required(needed) })
type Own = Shape<ReturnType<typeof schema>>

/**
 * Where a job has gone: closed when it is done, archived when nobody needs it on the board, deleted when it was a
 * mistake.
 */
export const state: ActKind<'state', ReturnType<typeof schema>> = {
  type: 'state',
  schema,
  locks: true,
  who: 'mechanic'
}

export const stateView: ActView<Own, { state: Own['state'] }> = {
  fold(record, act) {
    record.state = act.state
  }
}
