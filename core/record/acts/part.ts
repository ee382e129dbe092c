import { id, needed, num, shape, text, type Shape } from '../../check'
import { type ActKind, actShape, type ActView } from './define'
import { partFaults } from './onPart'

const schema = () =>
  actShape('part', {
    part: id().required(needed),
    known: shape({ design: text(200), make: text(120), fittedAt: num(0, 1e7) }).required(needed)
  })
type Own = Shape<ReturnType<typeof schema>>

/** What is known of a fitted part: its design and make, and the usage at which it was fitted, in the job's unit. */
export const part: ActKind<'part', ReturnType<typeof schema>> = {
  type: 'part',
  schema,
  locks: false,
  who: 'mechanic',
  faults: partFaults
}

export const partView: ActView<Own, { parts: Map<string, Own['known']> }> = {
  fold(record, act) {
    record.parts.set(act.part, act.known)
  }
}
