import { type Estimates, PRIORS } from '../../estimate'
import { findingWords, type JobFile, STRETCH_KINDS } from '../../readings'
import { limitFor, partKindOf } from '../../sheet'
import { cdf } from '../../math'
import { odds, partName } from '../../wording'
import { type Bearing, BEARINGS, SUSPECT_IDS, type SuspectId, SUSPECTS, TYPICAL_LIFE } from './table'

/** A cause that may be behind the complaint. */
export interface Suspect {
  id: SuspectId
  name: string
  /** Share of the whole, 0 to 1: one of the suspects is taken to be the main cause. */
  odds: number
  /** What speaks for or against it, the weightiest first. */
  because: { text: string; factor: number; readings: number[] }[]
  look: string
}

/** A factor never counts for more than this or less than its inverse: no single answer decides alone. */
const MOST = 20

/**
 * Suspects before teardown, the likeliest first: prior times the factor of every answer given (naive Bayes: answers are
 * taken one by one), with what the figures read so far say of stretch and jump, and a little by usage.
 * @param bearings the table; pass another to edit it
 */
export function suspectsOf(job: JobFile, estimates: Estimates, bearings: readonly Bearing[] = BEARINGS): Suspect[] {
  const evidence = [...answers(job, bearings), ...figures(job, estimates), ...usage(job)]
  const weighed = SUSPECT_IDS.map((id) => {
    const because = evidence.filter((e) => e.suspect === id).map(({ text, factor, readings }) => ({ text, factor, readings }))
    return { id, because, weight: because.reduce((product, { factor }) => product * Math.min(Math.max(factor, 1 / MOST), MOST), SUSPECTS[id].prior) }
  })
  const total = weighed.reduce((sum, { weight }) => sum + weight, 0)
  return weighed
    .map(({ id, because, weight }) => ({
      id, name: SUSPECTS[id].name, odds: weight / total, look: SUSPECTS[id].look,
      because: because.sort((a, b) => Math.abs(Math.log(b.factor)) - Math.abs(Math.log(a.factor)))
    }))
    .sort((a, b) => b.odds - a.odds)
}

interface Evidence {
  suspect: SuspectId
  factor: number
  text: string
  readings: number[]
}

/** Each answer once, however often it was given. */
function answers({ drive, readings }: JobFile, bearings: readonly Bearing[]): Evidence[] {
  const given = new Map<string, { words: string; readings: number[] }>()
  readings.forEach(({ kind, target, finding }, index) => {
    if (kind !== 'condition') return
    const known = given.get(finding!)
    if (known) known.readings.push(index)
    else given.set(finding!, { words: findingWords(partKindOf(drive, target!)!, finding!)!, readings: [index] })
  })
  return bearings.flatMap(({ finding, suspect, factor, because }) => {
    const answer = given.get(finding)
    return answer ? [{ suspect, factor, text: `${sentence(answer.words)}: ${because}.`, readings: answer.readings }] : []
  })
}

/** Odds of stretch and jump from the figures against what was believed before them: of the worst chain and the worst cam. */
function figures(job: JobFile, estimates: Estimates): Evidence[] {
  const worst = (all: Evidence[]) => all.sort((a, b) => b.factor - a.factor).slice(0, 1)
  return [...worst(stretched(job, estimates)), ...worst(jumped(job, estimates))]
}

/** A chain is too long when it is past its limit, or when its tensioner is and stretch put it there, by a reading that the others do not contradict. */
function stretched({ drive, readings }: JobFile, { chains, tensioners, readings: estimated }: Estimates): Evidence[] {
  return drive.chains.flatMap((chain): Evidence[] => {
    const { elongation, readings: used } = chains[chain.id]!
    const limit = limitFor(drive, 'elongation', chain.id)
    const told = used.filter((i) => STRETCH_KINDS.includes(readings[i]!.kind))
    if (!limit || told.length === 0 || elongation.overLimit === null) return []
    const before = 2 * (1 - cdf(limit.value / 100 / PRIORS.elongation))
    const out = tensioners[drive.tensioners.find((t) => t.chain === chain.id)?.id ?? '']
    const doubted = told.some((i) => readings[i]!.kind === 'extension' && estimated[i]!.atOdds)
    const byTravel = out && out.extension.read !== null && !doubted && mostlyStretch(out.budget) ? (out.extension.overLimit ?? 0) : 0
    const over = Math.max(elongation.overLimit, byTravel)
    const what = byTravel > elongation.overLimit ? 'to have taken its tensioner past its limit' : 'to be past its limit'
    return [{ suspect: 'stretched-chain', factor: clamped(over / before), text: `${chain.name}: the figures make it ${odds(over)} likely ${what}.`, readings: told }]
  })
}

/** Is more of what a tensioner has grown stretch than anything else? */
function mostlyStretch(budget: readonly { cause: string; mm: number }[]): boolean {
  const grown = budget.filter(({ cause }) => cause !== 'as new')
  return grown.reduce((a, b) => (b.mm > a.mm ? b : a)).cause === 'stretch'
}

function jumped({ drive, readings }: JobFile, { cams }: Estimates): Evidence[] {
  return Object.entries(cams).flatMap(([id, cam]): Evidence[] => {
    if (!cam.jump.told) return []
    const likely = 1 - (cam.jump.all['0'] ?? 0)
    const used = readings.flatMap((r, i) => (r.sprocket === id || r.from === id || r.to === id ? [i] : []))
    return [{ suspect: 'jumped', factor: clamped(likely / (1 - PRIORS.jump[0]!)), text: `${partName(drive, id)}: ${odds(likely)} likely to have jumped, by what was read on it.`, readings: used }]
  })
}

/** Usage moves the odds of stretch gently, by at most a factor of two either way. */
function usage({ usage: { value, unit } }: JobFile): Evidence[] {
  const factor = Math.min(Math.max(value / TYPICAL_LIFE[unit] + 0.5, 0.5), 2)
  if (Math.abs(factor - 1) < 0.2) return []
  return [{ suspect: 'stretched-chain', factor, text: `Usage of ${Math.round(value)} ${unit}: a chain this old is ${factor > 1 ? 'more' : 'less'} often long; usage alone condemns nothing.`, readings: [] }]
}

function clamped(factor: number): number {
  return Math.min(Math.max(factor, 1 / MOST), MOST)
}

function sentence(words: string): string {
  return `${words[0]!.toUpperCase()}${words.slice(1)}`
}
