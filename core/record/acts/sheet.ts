import { elsewhere, needed, whole, type Shape } from '../../check'
import { driveSchema, type DriveSheet } from '../../sheet'
import { sheetFaults } from '../../drive'
import { type ActKind, actShape, type ActView } from './define'
import { findStranded } from './stranded'

const schema = () =>
  actShape('sheet', {
    sheet: elsewhere<DriveSheet>(() => driveSchema).required(needed),
    revision: whole(1, 1e6).required(needed)
  })
type Own = Shape<ReturnType<typeof schema>>

/**
 * The job moved to another revision of its drive sheet, with that revision, so that the job needs nothing but itself.
 */
export const sheet: ActKind<'sheet', ReturnType<typeof schema>> = {
  type: 'sheet',
  schema,
  locks: true,
  who: 'mechanic',
  faults(act, { acts, at, comesTo }) {
    const faults = sheetFaults(act.sheet, at('sheet'))
    return faults.length > 0 ? faults : findStranded(act.sheet, comesTo([...acts.values()]), at('sheet'))
  }
}

export const sheetView: ActView<Own, { moved: Own | null }> = {
  fold(record, act) {
    record.moved = act
  }
}
