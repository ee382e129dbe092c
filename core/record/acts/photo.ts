import { id, needed, text } from '../../check'
import { type ActKind, actShape } from './define'
import type { ActView } from './views'
import { partFaults } from './onPart'

const schema = () => actShape('photo', { photo: text(64).required(needed), part: id().required(needed), note: text(4000) })

/** A photo that the server keeps, put to a part (or `oil`, `fasteners`, `engine`). */
export const photo: ActKind<'photo', ReturnType<typeof schema>> = {
  type: 'photo', schema,
  locks: false, who: 'mechanic', faults: partFaults
}

export const photoView: ActView<'photo'> = {
  subject: 'The photo',
  fold(record, act) {
    record.photos.push(act)
  }
}
