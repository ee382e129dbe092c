import type { ActType } from '../../core/record'
import type { CauseSays, Change } from '../../core/views/verdict'
import { type Catalogue, type Names, sayer } from '../say'
import { teethOff } from './figures'
import { findingWords, KIND_NAMES } from './parts'

/** What an entry did to the estimate. In a file of its own: the bench says this, and not why parts are renewed. */

/** Begins a sentence on what an act did. */
const ACTS: Readonly<Record<ActType, string>> = {
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
}

export const CAUSES: Catalogue<CauseSays> = {
  entries: (f) => `${f.count} entries together`,
  revision: (f) => `Revision ${f.revision} of the drive sheet`,
  act: (f) => ACTS[f.type],
  finding: (f) => `The finding "${findingWords(f.kind, f.finding)}"`,
  reading: (f) => `${f.corrected ? 'The corrected' : 'The'} ${KIND_NAMES[f.kind].toLowerCase()}`
}

const sayCause = sayer(CAUSES)

/** How acts moved the estimate. */
export function sayChange({ cause, chains, jumps }: Change, name: Names, several: boolean): string {
  const moves = chains.map(({ chain, mean, spread }) => {
    const parts = [
      ...(mean ? [`took elongation from ${mean.from.toFixed(2)} to ${mean.to.toFixed(2)} %`] : []),
      ...(spread
        ? [
            `${spread.to < spread.from ? 'narrowed' : 'widened'} it from ±${spread.from.toFixed(2)} to ±${spread.to.toFixed(2)}`
          ]
        : [])
    ]
    return `${several ? `${name(chain)}: ` : ''}${parts.join(' and ')}`
  })
  const what = sayCause(cause, name)
  const said = moves.length > 0 ? `${what} ${moves.join('; ')}.` : `${what} left the elongation as it was.`
  return [
    said,
    ...jumps.map(({ cam, teeth }) =>
      teeth === 0 ? `${name(cam)} has not jumped after all.` : `${name(cam)} now reads ${teethOff(teeth)}.`
    )
  ].join(' ')
}
