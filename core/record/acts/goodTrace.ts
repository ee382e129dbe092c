import { needed, oneOf, type Shape } from '../../check'
import { triggersSchema } from '../../sheet'
import { type ActKind, actShape, type ActView } from './define'
import { traceFile } from './traceRead'

const schema = () =>
  actShape('goodTrace', {
    /** Of what it is the good one: this vehicle, after its proof, or every engine of the type. */
    of: oneOf('vehicle', 'type').required(needed),
    ...traceFile(),
    /** Its wheels as they came, in the form of a sheet. */
    triggers: triggersSchema.required(needed)
  })
type Own = Shape<ReturnType<typeof schema>>

/** A trace kept as good: later ones of the vehicle, or of its engine type, are held against it. */
export const goodTrace: ActKind<'goodTrace', ReturnType<typeof schema>> = {
  type: 'goodTrace',
  schema,
  locks: false,
  who: 'mechanic'
}

export const goodTraceView: ActView<Own, { goodTraces: Own[] }> = {
  fold(record, act) {
    record.goodTraces.push(act)
  }
}
