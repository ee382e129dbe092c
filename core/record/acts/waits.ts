import { needed, oneOf, text } from '../../check'
import { type ActKind, actShape } from './define'
import type { ActView } from './views'

const schema = () => actShape('waits', { for: oneOf('part', 'customer', 'nothing').required(needed), note: text(400) })

/** What a job waits for, so that nobody stands at the engine in vain. */
export const waits: ActKind<'waits', ReturnType<typeof schema>> = {
  type: 'waits', schema,
  locks: false, who: 'mechanic'
}

export const waitsView: ActView<'waits'> = {
  subject: 'What the job waits for',
  fold(record, act) {
    record.waits = act.for === 'nothing' ? null : act
  }
}
