import { needed, num, oneOf, text, word, type Shape } from '../../check'
import { type ActKind, actShape, type ActView } from './define'

const schema = () =>
  actShape('task', {
    task: word(160).required(needed),
    state: oneOf('done', 'open').required(needed),
    note: text(1000),
    value: num(0, 1e6)
  })
type Own = Shape<ReturnType<typeof schema>>

/** A step of the build-up or the proof, done or taken up again, with what was noted with it. */
export const task: ActKind<'task', ReturnType<typeof schema>> = {
  type: 'task',
  schema,
  locks: false,
  who: 'mechanic'
}

export const taskView: ActView<Own, { tasks: Map<string, Own> }> = {
  fold(record, act) {
    record.tasks.set(act.task, act)
  }
}
