import { id, needed, num, shape, text } from '../../check'
import { type ActKind, actShape } from './define'
import type { ActView } from './views'
import { partFaults } from './onPart'

const schema = () => actShape('part', { part: id().required(needed), known: shape({ design: text(200), make: text(120), fittedAt: num(0, 1e7) }).required(needed) })

/** What is known of a fitted part: its design and make, and the usage at which it was fitted, in the job's unit. */
export const part: ActKind<'part', ReturnType<typeof schema>> = {
  type: 'part', schema,
  locks: false, who: 'mechanic', faults: partFaults
}

export const partView: ActView<'part'> = {
  subject: 'What is known of the part',
  fold(record, act) {
    record.parts.set(act.part, act.known)
  }
}
