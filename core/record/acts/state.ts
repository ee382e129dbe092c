import { needed, oneOf } from '../../check'
import { type ActKind, actShape } from './define'
import type { ActView } from './views'

const schema = () => actShape('state', { state: oneOf('open', 'closed', 'archived', 'deleted').required(needed) })

/** Where a job has gone: closed when it is done, archived when nobody needs it on the board, deleted when it was a mistake. */
export const state: ActKind<'state', ReturnType<typeof schema>> = {
  type: 'state', schema,
  locks: true, who: 'mechanic'
}

export const stateView: ActView<'state'> = {
  subject: 'Where the job stands',
  fold(record, act) {
    record.state = act.state
  }
}
