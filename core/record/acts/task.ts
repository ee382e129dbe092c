import { needed, num, oneOf, text, word } from '../../check'
import { type ActKind, actShape } from './define'
import type { ActView } from './views'

const schema = () => actShape('task', { task: word(160).required(needed), state: oneOf('done', 'open').required(needed), note: text(1000), value: num(0, 1e6) })

/** A step of the build-up or the proof, done or taken up again, with what was noted with it. */
export const task: ActKind<'task', ReturnType<typeof schema>> = {
  type: 'task', schema,
  locks: false, who: 'mechanic'
}

export const taskView: ActView<'task'> = {
  subject: 'The step',
  fold(record, act) {
    record.tasks.set(act.task, act)
  }
}
