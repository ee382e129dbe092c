import { needed, word, words, type Shape } from '../../check'
import { say } from '../says'
import { type ActKind, actShape, type ActView } from './define'

const schema = () => actShape('release', { hold: word(160).required(needed), reason: words(1000, say('why')) })
type Own = Shape<ReturnType<typeof schema>>

/** A hold released by word, with the reason. */
export const release: ActKind<'release', ReturnType<typeof schema>> = {
  type: 'release',
  schema,
  locks: false,
  who: 'foreman'
}

export const releaseView: ActView<Own, { releases: Map<string, Own> }> = {
  fold(record, act) {
    record.releases.set(act.hold, act)
  }
}
