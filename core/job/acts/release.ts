import { needed, word, words } from '../../check/rules'
import { actShape, type ActKind } from './define'

const schema = actShape('release', { hold: word(160).required(needed), reason: words(1000, 'say why') })

/** A hold released by word, with the reason. */
export const release: ActKind<'release', typeof schema> = {
  type: 'release', schema,
  locks: false, who: 'foreman', subject: 'The hold released',
  fold(record, act) {
    record.releases.set(act.hold, act)
  }
}
