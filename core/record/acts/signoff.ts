import { type Assessment, assessmentSchema } from '../../paths'
import { elsewhere, flag, listOf, needed, schemaFaults, text, whole, word, type Shape } from '../../check'
import { type ActKind, actShape, type ActView } from './define'

const schema = () =>
  actShape('signoff', {
    /** 1 for the first. */
    revision: whole(1, 1e6).required(needed),
    /** Version of the computation. */
    core: word(20).required(needed),
    sheetRevision: whole(1, 1e6).nullable().defined(needed),
    assessment: elsewhere<Assessment>(() => assessmentSchema).required(needed),
    /** Ids of the acts it rests on, in order. */
    acts: listOf(text(64).required(needed), 20_000),
    unchecked: flag(),
    /** Id of the newest act that whoever signs has seen; absent where there was none. */
    seen: text(64)
  })
type Own = Shape<ReturnType<typeof schema>>

/**
 * The verdict as it was signed: what stood then, and what it was computed with. The server makes it from what it holds,
 * so that a page cannot sign what the readings do not say; one that a file brings is `unchecked` unless it is computed
 * alike.
 */
export const signoff: ActKind<'signoff', ReturnType<typeof schema>> = {
  type: 'signoff',
  schema,
  entry: () => actShape('signoff', { seen: text(64) }),
  locks: true,
  who: 'foreman',
  faults: (act, { at }) => schemaFaults(assessmentSchema, act.assessment, at('assessment'))
}

export const signoffView: ActView<Own, { signoffs: Own[] }> = {
  fold(record, act) {
    record.signoffs.push(act)
  }
}
