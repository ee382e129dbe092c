import type { PathDifference } from '../../core/paths'
import type { School } from '../../core/readings'
import type { SchoolDifference, Statement, VerdictSays } from '../../core/views/verdict'
import { type Catalogue, type Names, sayer } from '../say'
import { fixDigits, lowerFirst, moneyWords, oddsWords, teethOff, upperFirst } from './figures'
import { SCHOOL_WORDS } from './parts'
import { sayReason } from './reasons'
import { t, midSentence, plural } from '../spoken'

/** What happened to a drive, and how paths and schools differ. */

export const VERDICTS: Catalogue<VerdictSays> = {
  'nothing-read': () => t`Nothing has been read yet, so nothing can be said of this drive.`,
  stretch(f, name) {
    const measured = t`${name(f.chain)} is ${fixDigits(f.mean, 2)} % longer than new, give or take ${fixDigits(f.spread, 2)}`
    return f.limit === null
      ? t`${measured}; the sheet has no limit to hold it against.`
      : t`${measured}: ${f.past ? t`past` : t`within`} its limit of ${f.limit} %, ${oddsWords(f.odds)} likely.`
  },
  travel: (f, name) =>
    t`${name(f.tensioner)} stands ${fixDigits(f.read, 1)} mm out: past its limit of ${f.limit} mm, ${oddsWords(f.odds)} likely.`,
  worn: (f, name) => name(f.part),
  'jump-unknown': () => t`Whether it jumped is not known: no mark and no link count has been read.`,
  'none-jumped': (f) =>
    t`No tooth has jumped on ${f.all ? t`any cam` : t`the cams that were read`}, ${oddsWords(f.odds)} likely.`,
  'has-jumped': (f, name) => t`${name(f.cam)} has jumped ${teethOff(f.teeth)}, ${oddsWords(f.odds)} likely.`
}

const sayVerdict = sayer(VERDICTS)

/** One statement of a verdict. */
export function sayStatement(statement: Statement, name: Names): string {
  const said = sayVerdict(statement, name)
  return statement.reason ? t`${said}: ${lowerFirst(sayReason(statement.reason, name))}` : said
}

/** Why another school calls a part otherwise. */
export function sayOtherwise({ why, holds }: SchoolDifference['changes'][number], school: School, name: Names): string {
  return holds ? sayReason(why, name) : t`${SCHOOL_WORDS[school].name} does not hold: ${sayReason(why, name)}`
}

/** How a path differs from the one before it; empty for the first. */
export function sayDifference(differs: PathDifference | null, name: Names): string {
  if (!differs) return ''
  const { more, less, hours, comeBack } = differs
  const list = (parts: readonly string[]) => parts.map((part) => midSentence(name(part))).join(', ')
  const parts = [
    ...(more.length > 0 ? [t`renews ${list(more)} too`] : []),
    ...(less.length > 0 ? [t`keeps ${list(less)}`] : []),
    Math.abs(hours) < 0.05
      ? t`takes no further hours`
      : t`takes ${fixDigits(Math.abs(hours), 1)} h ${hours > 0 ? t`more` : t`less`}`,
    t`brings the odds of coming back from ${oddsWords(comeBack.from)} to ${oddsWords(comeBack.to)}`
  ]
  return upperFirst(t`${parts.join(', ')}.`)
}

/** What a path costs beyond its price when what it leaves open turns out worn; empty where nothing is open. */
export function sayUpTo(
  { parts, atMost }: { parts: readonly string[]; atMost: number },
  currency: string,
  name: Names
) {
  const names = parts.map((part) => midSentence(name(part)))
  if (names.length === 0) return ''
  const all = names.length === 1 ? names[0] : t`all of ${names.join(', ')}`
  return t`at least; ${moneyWords(atMost, currency)} if ${all} ${plural(names.length, t`turns`, t`turn`)} out worn`
}
