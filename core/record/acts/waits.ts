import { needed, oneOf, text, type Shape } from '../../check'
import { type ActKind, actShape, type ActView } from './define'

const schema = () => actShape('waits', { for: oneOf('part', 'customer', 'nothing').required(needed), note: text(400) })
type Own = Shape<ReturnType<typeof schema>>

/** What a job waits for, so that nobody stands at the engine in vain. */
export const waits: ActKind<'waits', ReturnType<typeof schema>> = {
  type: 'waits',
  schema,
  locks: false,
  who: 'mechanic'
}

export const waitsView: ActView<Own, { waits: Own | null }> = {
  fold(record, act) {
    record.waits = act.for === 'nothing' ? null : act
  }
}
