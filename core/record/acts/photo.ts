import { id, needed, text, type Shape } from '../../check'
import { type ActKind, actShape, type ActView } from './define'
import { partFaults } from './onPart'

const schema = () =>
  actShape('photo', {
    photo: text(64).required(needed),
    part: id().required(needed),
    note: text(4000),
    /** The finding that is seen on it, by its act's id. */
    shows: text(64)
  })
type Own = Shape<ReturnType<typeof schema>>

/** A photo that the server keeps, put to a part (or `oil`, `fasteners`, `engine`). */
export const photo: ActKind<'photo', ReturnType<typeof schema>> = {
  type: 'photo',
  schema,
  locks: false,
  who: 'mechanic',
  faults: partFaults
}

export const photoView: ActView<Own, { photos: Own[] }> = {
  fold(record, act) {
    record.photos.push(act)
  }
}
