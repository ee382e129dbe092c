import type { Shape } from '../../check'
import { schoolSchema } from '../../readings'
import { type ActKind, actShape, type ActView } from './define'

const schema = () => actShape('school', { school: schoolSchema })
type Own = Shape<ReturnType<typeof schema>>

/** The school that the job is judged under. */
export const school: ActKind<'school', ReturnType<typeof schema>> = {
  type: 'school',
  schema,
  locks: false,
  who: 'mechanic'
}

export const schoolView: ActView<Own, { school: Own['school'] }> = {
  fold(record, act) {
    record.school = act.school
  }
}
