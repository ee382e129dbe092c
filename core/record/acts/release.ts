import { needed, word, words } from '../../check'
import { type ActKind, actShape } from './define'
import type { ActView } from './views'

const schema = () => actShape('release', { hold: word(160).required(needed), reason: words(1000, 'say why') })

/** A hold released by word, with the reason. */
export const release: ActKind<'release', ReturnType<typeof schema>> = {
  type: 'release', schema,
  locks: false, who: 'foreman'
}

export const releaseView: ActView<'release'> = {
  subject: 'The hold released',
  fold(record, act) {
    record.releases.set(act.hold, act)
  }
}
