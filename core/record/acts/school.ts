import { schoolSchema } from '../../readings'
import { type ActKind, actShape } from './define'
import type { ActView } from './views'

const schema = () => actShape('school', { school: schoolSchema })

/** The school that the job is judged under. */
export const school: ActKind<'school', ReturnType<typeof schema>> = {
  type: 'school', schema,
  locks: false, who: 'mechanic'
}

export const schoolView: ActView<'school'> = {
  subject: 'The other school',
  fold(record, act) {
    record.school = act.school
  }
}
