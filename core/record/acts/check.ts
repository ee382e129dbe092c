import { day, flag, needed, num, text, type Shape } from '../../check'
import { type ActKind, actShape, type ActView } from './define'

const schema = () =>
  actShape('check', { date: day(), usage: num(0, 1e7), stopGap: flag().required(needed), note: text(1000) })
type Own = Shape<ReturnType<typeof schema>>

/** When the drive is looked at again, by date or usage (in the job's unit); a stop-gap is no repair and nags. */
export const check: ActKind<'check', ReturnType<typeof schema>> = {
  type: 'check',
  schema,
  locks: false,
  who: 'mechanic'
}

export const checkView: ActView<Own, { check: Own | null }> = {
  fold(record, act) {
    record.check = act
  }
}
