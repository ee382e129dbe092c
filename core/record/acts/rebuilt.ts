import { elsewhere, needed, oneOf, type Shape } from '../../check'
import { type Reading, readingStructureFaults } from '../../readings'
import { type ActKind, actShape, type ActView } from './define'
import { traceRead } from './traceRead'

const schema = () =>
  actShape('rebuilt', {
    round: oneOf('set', 'turned', 'proof').required(needed),
    reading: elsewhere<Reading>().required(needed),
    /** The trace of the running engine that it was read from. */
    trace: traceRead()
  })
type Own = Shape<ReturnType<typeof schema>>

/**
 * A reading on the rebuilt drive: as set, after two turns, or of the running engine. It says nothing of the drive as it
 * was found.
 */
export const rebuilt: ActKind<'rebuilt', ReturnType<typeof schema>> = {
  type: 'rebuilt',
  schema,
  locks: false,
  who: 'mechanic',
  faults: (act, { sheet, at }) => readingStructureFaults(sheet, act.reading, at('reading'))
}

export const rebuiltView: ActView<Own, { rebuilt: Own[] }> = {
  fold(record, act) {
    record.rebuilt.push(act)
  }
}
