import { type Act, ACT_VIEWS } from '../../record'
import { findingWords, READING_KINDS } from '../../readings'
import { type DriveSheet, partKindOf } from '../../sheet'
import type { Estimates } from '../../estimate'

/** What acts did to the estimate, in one sentence: how much the elongation moved, and how its uncertainty changed. Several that came at once share it. */
export function explainChange(sheet: DriveSheet, acts: readonly Act[], before: Estimates, after: Estimates): string {
  const what = acts.length === 1 ? subject(sheet, acts[0]!) : `${acts.length} entries together`
  const changes = sheet.chains.flatMap(({ id, name }) => {
    const [was, is] = [before.chains[id]?.elongation, after.chains[id]?.elongation]
    if (!was || !is) return []
    const means = [was, is].map(({ mean }) => (100 * mean).toFixed(2))
    const spreads = [was, is].map(({ low, high }) => (50 * (high - low)).toFixed(2))
    const parts = [
      ...(means[0] !== means[1] ? [`took elongation from ${means[0]} to ${means[1]} %`] : []),
      ...(spreads[0] !== spreads[1] ? [`${Number(spreads[1]) < Number(spreads[0]) ? 'narrowed' : 'widened'} it from ±${spreads[0]} to ±${spreads[1]}`] : [])
    ]
    return parts.length > 0 ? [`${sheet.chains.length > 1 ? `${name}: ` : ''}${parts.join(' and ')}`] : []
  })
  const said = changes.length > 0 ? `${what} ${changes.join('; ')}.` : `${what} left the elongation as it was.`
  return [said, ...jumpChanges(sheet, before, after)].join(' ')
}

/** Cams whose likeliest jump is another than before. */
function jumpChanges(sheet: DriveSheet, before: Estimates, after: Estimates): string[] {
  return Object.entries(after.cams).flatMap(([id, { jump }]) => {
    if (jump.teeth === (before.cams[id]?.jump.teeth ?? 0)) return []
    const name = sheet.sprockets.find((s) => s.id === id)!.name
    const teeth = Math.abs(jump.teeth)
    return [teeth === 0 ? `${name} has not jumped after all.` : `${name} now reads ${teeth} ${teeth === 1 ? 'tooth' : 'teeth'} ${jump.teeth > 0 ? 'late' : 'early'}.`]
  })
}

function subject(sheet: DriveSheet, act: Act): string {
  if (act.type === 'sheet') return `Revision ${act.revision} of the drive sheet`
  if (act.type !== 'read') return ACT_VIEWS[act.type].subject
  const { reading } = act
  if (reading.kind === 'condition') return `The finding "${findingWords(partKindOf(sheet, reading.target)!, reading.finding)}"`
  return `${act.supersedes ? 'The corrected' : 'The'} ${READING_KINDS[reading.kind].name.toLowerCase()}`
}
