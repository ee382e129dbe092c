import type { PathDifference } from '../../core/paths'
import type { ActType } from '../../core/record'
import type { School } from '../../core/readings'
import type { CauseSays, Change, SchoolDifference, Statement, VerdictSays } from '../../core/views/verdict'
import { type Catalogue, type Names, sayer } from '../say'
import { fixDigits, lowerFirst, oddsWords, teethOff, upperFirst } from './figures'
import { findingWords, KIND_NAMES, SCHOOL_WORDS } from './parts'
import { sayReason } from './reasons'

/** What happened to a drive, what changed it, and how paths and schools differ. */

export const VERDICTS: Catalogue<VerdictSays> = {
  'nothing-read': () => 'Nothing has been read yet, so nothing can be said of this drive.',
  stretch(f, name) {
    const measured = `${name(f.chain)} is ${fixDigits(f.mean, 2)} % longer than new, give or take ${fixDigits(f.spread, 2)}`
    return f.limit === null ? `${measured}; the sheet has no limit to hold it against.` : `${measured}: ${f.past ? 'past' : 'within'} its limit of ${f.limit} %, ${oddsWords(f.odds)} likely.`
  },
  travel: (f, name) => `${name(f.tensioner)} stands ${fixDigits(f.read, 1)} mm out: past its limit of ${f.limit} mm, ${oddsWords(f.odds)} likely.`,
  worn: (f, name) => name(f.part),
  'jump-unknown': () => 'Whether it jumped is not known: no mark and no link count has been read.',
  'none-jumped': (f) => `No tooth has jumped on ${f.all ? 'any cam' : 'the cams that were read'}, ${oddsWords(f.odds)} likely.`,
  'has-jumped': (f, name) => `${name(f.cam)} has jumped ${teethOff(f.teeth)}, ${oddsWords(f.odds)} likely.`
}

const sayVerdict = sayer(VERDICTS)

/** One statement of a verdict. */
export function sayStatement(statement: Statement, name: Names): string {
  const said = sayVerdict(statement, name)
  return statement.reason ? `${said}: ${lowerFirst(sayReason(statement.reason, name))}` : said
}

/** Begins a sentence on what an act did. */
const ACTS: Readonly<Record<ActType, string>> = {
  read: 'The reading', undo: 'Taking that back', corrections: 'What is known of the engine', part: 'What is known of the part', photo: 'The photo', state: 'Where the job stands',
  waits: 'What the job waits for', sheet: 'The drive sheet', overrule: 'The overruled call', pricing: 'The pricing', path: 'The path advised', signoff: 'The sign-off',
  choice: 'The customer\'s choice', task: 'The step', rebuilt: 'The reading on the rebuilt drive', hole: 'The bolt hole', release: 'The hold released', check: 'The next check', school: 'The other school'
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
      ...(spread ? [`${spread.to < spread.from ? 'narrowed' : 'widened'} it from ±${spread.from.toFixed(2)} to ±${spread.to.toFixed(2)}`] : [])
    ]
    return `${several ? `${name(chain)}: ` : ''}${parts.join(' and ')}`
  })
  const what = sayCause(cause, name)
  const said = moves.length > 0 ? `${what} ${moves.join('; ')}.` : `${what} left the elongation as it was.`
  return [said, ...jumps.map(({ cam, teeth }) => (teeth === 0 ? `${name(cam)} has not jumped after all.` : `${name(cam)} now reads ${teethOff(teeth)}.`))].join(' ')
}

/** Why another school calls a part otherwise. */
export function sayOtherwise({ why, holds }: SchoolDifference['changes'][number], school: School, name: Names): string {
  return holds ? sayReason(why, name) : `${SCHOOL_WORDS[school].name} does not hold: ${sayReason(why, name)}`
}

/** How a path differs from the one before it; empty for the first. */
export function sayDifference(differs: PathDifference | null, name: Names): string {
  if (!differs) return ''
  const { more, less, hours, comeBack } = differs
  const list = (parts: readonly string[]) => parts.map((part) => name(part).toLowerCase()).join(', ')
  const parts = [
    ...(more.length > 0 ? [`renews ${list(more)} too`] : []), ...(less.length > 0 ? [`keeps ${list(less)}`] : []),
    Math.abs(hours) < 0.05 ? 'takes no further hours' : `takes ${Math.abs(hours).toFixed(1)} h ${hours > 0 ? 'more' : 'less'}`,
    `brings the odds of coming back from ${oddsWords(comeBack.from)} to ${oddsWords(comeBack.to)}`
  ]
  return upperFirst(`${parts.join(', ')}.`)
}
