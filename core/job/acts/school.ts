import { schoolSchema } from '../schema'
import { actShape, type ActKind } from './define'

const schema = actShape('school', { school: schoolSchema })

/** The school that the job is judged under. */
export const school: ActKind<'school', typeof schema> = {
  type: 'school', schema,
  locks: false, who: 'mechanic', subject: 'The other school',
  fold(record, act) {
    record.school = act.school
  }
}
