import { needed, text } from '../../check'
import { type ActKind, actShape } from './define'
import type { ActView } from './views'
import { sheetOf } from './record'
import { stranded } from './stranded'
import type { Act } from './registry'

const schema = () => actShape('undo', { act: text(64).required(needed) })

/** Takes back an act, by its id. Taking back is an act too, and can itself be taken back. */
export const undo: ActKind<'undo', ReturnType<typeof schema>> = {
  type: 'undo', schema,
  locks: true, who: 'mechanic',
  faults(act, { acts, opened, at, comesTo, movesSheet }) {
    if (!acts.has(act.act)) return [{ place: at('act'), message: 'there is no such act on this job' }]
    if (!movesSheet(act.act)) return []
    // Taking back a move brings back the sheet before it: what was read since must fit that one too.
    const record = comesTo([...acts.values(), act as Act])
    return stranded(sheetOf(opened, record), record, at('act'))
  }
}

export const undoView: ActView<'undo'> = {
  subject: 'Taking that back'
}
