import type { ActType } from '../../core/record'
import type { CauseSays, Change } from '../../core/views/verdict'
import { type Catalogue, type Names, sayer } from '../say'
import { fixDigits, teethOff } from './figures'
import { findingWords, KIND_NAMES } from './parts'
import { t, texts, midSentence } from '../spoken'

/** What an entry did to the estimate. In a file of its own: the bench says this, and not why parts are renewed. */

/** Begins a sentence on what an act did. */
const ACTS: Readonly<Record<ActType, string>> = texts({
  read: 'The reading',
  undo: 'Taking that back',
  corrections: 'What is known of the engine',
  part: 'What is known of the part',
  photo: 'The photo',
  state: 'Where the job stands',
  waits: 'What the job waits for',
  sheet: 'The drive sheet',
  overrule: 'The overruled call',
  pricing: 'The pricing',
  path: 'The path advised',
  signoff: 'The sign-off',
  choice: "The customer's choice",
  task: 'The step',
  rebuilt: 'The reading on the rebuilt drive',
  hole: 'The bolt hole',
  release: 'The hold released',
  check: 'The next check',
  school: 'The other school',
  usage: 'What stood on the clock',
  estimate: 'The estimate',
  goodTrace: 'A trace kept as good'
})

export const CAUSES: Catalogue<CauseSays> = {
  entries: (f) => t`${f.count} entries together`,
  revision: (f) => t`Revision ${f.revision} of the drive sheet`,
  act: (f) => ACTS[f.type],
  finding: (f) => t`The finding "${findingWords(f.kind, f.finding)}"`,
  reading: (f) => t`${f.corrected ? t`The corrected` : t`The`} ${midSentence(KIND_NAMES[f.kind])}`
}

const sayCause = sayer(CAUSES)

/** How acts moved the estimate. */
export function sayChange({ cause, chains, jumps }: Change, name: Names, several: boolean): string {
  const moves = chains.map(({ chain, mean, spread }) => {
    const parts = [
      ...(mean ? [t`took elongation from ${fixDigits(mean.from, 2)} to ${fixDigits(mean.to, 2)} %`] : []),
      ...(spread
        ? [
            t`${spread.to < spread.from ? t`narrowed` : t`widened`} it from ±${fixDigits(spread.from, 2)} to ±${fixDigits(spread.to, 2)}`
          ]
        : [])
    ]
    return t`${several ? t`${name(chain)}: ` : ''}${parts.join(t` and `)}`
  })
  const what = sayCause(cause, name)
  const said = moves.length > 0 ? t`${what} ${moves.join('; ')}.` : t`${what} left the elongation as it was.`
  return [
    said,
    ...jumps.map(({ cam, teeth }) =>
      teeth === 0 ? t`${name(cam)} has not jumped after all.` : t`${name(cam)} now reads ${teethOff(teeth)}.`
    )
  ].join(' ')
}
