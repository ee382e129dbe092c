import { needed, text, type Shape } from '../../check'
import { type ActKind, actShape, type ActView } from './define'
import { findStranded } from './stranded'
import { faultAt } from '../says'

const schema = () => actShape('undo', { act: text(64).required(needed) })
type Own = Shape<ReturnType<typeof schema>>

/** Takes back an act, by its id. Taking back is an act too, and can itself be taken back. */
export const undo: ActKind<'undo', ReturnType<typeof schema>> = {
  type: 'undo',
  schema,
  locks: true,
  who: 'mechanic',
  faults(act, { acts, opened, at, comesTo, movesSheet }) {
    if (!acts.has(act.act)) return [faultAt(at('act'), 'no-such-act')]
    if (!movesSheet(act.act)) return []
    // Taking back a move brings back the sheet before it: what was read since must fit that one too.
    const record = comesTo([...acts.values(), act])
    return findStranded(record.moved?.sheet ?? opened, record, at('act'))
  }
}

export const undoView: ActView<Own, object> = {}
