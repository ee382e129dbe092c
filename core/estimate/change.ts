import type { Act } from '../job/acts'
import { READING_KINDS } from '../readings/kinds'
import type { DriveSheet } from '../sheet/types'
import type { Estimates } from './estimate'

/** Per cent points of elongation: a change below this is not worth a word. */
const WORTH = 0.005

/** What an act did to the estimate, in one sentence: how much the elongation moved, and how its uncertainty changed. */
export function explainChange(sheet: DriveSheet, act: Act, before: Estimates, after: Estimates): string {
  const what = subject(act)
  const changes = sheet.chains.flatMap(({ id, name }) => {
    const [was, is] = [before.chains[id]?.elongation, after.chains[id]?.elongation]
    if (!was || !is) return []
    const moved = 100 * (is.mean - was.mean)
    const spreads = [was, is].map(({ low, high }) => (50 * (high - low)).toFixed(2))
    const parts = [
      ...(Math.abs(moved) >= WORTH ? [`took elongation from ${(100 * was.mean).toFixed(2)} to ${(100 * is.mean).toFixed(2)} %`] : []),
      ...(spreads[0] !== spreads[1] ? [`${Number(spreads[1]) < Number(spreads[0]) ? 'narrowed' : 'widened'} it from ±${spreads[0]} to ±${spreads[1]}`] : [])
    ]
    return parts.length > 0 ? [`${sheet.chains.length > 1 ? `${name}: ` : ''}${parts.join(' and ')}`] : []
  })
  return changes.length > 0 ? `${what} ${changes.join('; ')}.` : `${what} left the elongation as it was.`
}

function subject(act: Act): string {
  if (act.type === 'undo') return 'Taking that back'
  if (act.type === 'school') return 'The other school'
  return `${act.supersedes ? 'The corrected' : 'The'} ${READING_KINDS[act.reading.kind].name.toLowerCase()}`
}
