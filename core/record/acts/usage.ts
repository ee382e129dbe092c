import { needed, num, type Shape, text } from '../../check'
import { type ActKind, actShape, type ActView } from './define'

const schema = () => actShape('usage', { usage: num(0, 1e7).required(needed), note: text(400) })
type Own = Shape<ReturnType<typeof schema>>

/** What really stood on the clock, in the unit that the job was opened with. */
export const usage: ActKind<'usage', ReturnType<typeof schema>> = {
  type: 'usage',
  schema,
  locks: false,
  who: 'mechanic'
}

export const usageView: ActView<Own, { usage: number | null }> = {
  fold(record, act) {
    record.usage = act.usage
  }
}
