import { doubtOf, type Estimates } from '../../estimate'
import type { JobFile } from '../../readings'
import { type Suspect, suspectsOf } from './suspects'
import { type Bearing, BEARINGS, SUSPECTS } from './table'

/** Whether to open the covers. */
export interface Opening {
  advice: 'open' | 'leave-closed' | 'measure-first'
  /** Odds that what is wrong lies behind the covers. */
  odds: number
  because: string
  /** Cheap looks not yet taken, the most telling first: fraction of the doubt each would take away on average. */
  looks: { look: string; kind: 'condition' | 'extension' | 'camLag'; target: string; findings: string[]; gain: number; minutes: number }[]
}

/** Odds from which it is opened, and up to which it stays closed. */
const OPEN_FROM = 0.8
const CLOSED_UP_TO = 0.35

/** A figure tells of the chain alone, about half of what may lie behind the covers. */
const FIGURE_SHARE = 0.5

/** Looks with two outcomes that need no cover off. */
const LOOKS = [
  { look: 'Vacuum at idle', target: 'engine', findings: ['vacuum-low', 'vacuum-right'], minutes: 5 },
  { look: 'Cam and crank trace against a good one', target: 'engine', findings: ['trace-shifted', 'trace-alike'], minutes: 15 },
  { look: 'Pan and filter for plastic', target: 'engine', findings: ['oil-plastic', 'oil-clean'], minutes: 15 }
] as const

/** On small singles: the removed lifter pushed in by hand at its hole. */
const LIFTER = { look: 'Removed lifter pushed in by hand', findings: ['lifter-flush', 'lifter-gap'], minutes: 10 } as const

/**
 * Open it, leave it closed, or measure first, from what is known before the covers are off. A jump that is likelier than
 * not on an interference engine, and plastic in the pan, open it whatever the odds.
 */
export function openingOf(job: JobFile, estimates: Estimates, bearings: readonly Bearing[] = BEARINGS): Opening {
  const suspects = suspectsOf(job, estimates, bearings)
  const odds = behind(suspects)
  const looks = looksOf(job, estimates, suspects, bearings)
  const jumped = Object.values(estimates.cams).some(({ jump }) => jump.told && (jump.all['0'] ?? 0) < 0.5)
  const plastic = job.readings.some(({ finding }) => finding === 'oil-plastic')
  const first = suspects.find(({ id }) => SUSPECTS[id].behindCovers)!
  if (jumped && job.drive.engine.interference) return { advice: 'open', odds, because: 'It has likely jumped, and this is an interference engine: do not turn it by the starter, open it.', looks }
  if (plastic) return { advice: 'open', odds, because: 'Plastic in pan or filter comes from a rail: open it, and find every piece.', looks }
  if (odds >= OPEN_FROM) return { advice: 'open', odds, because: `What is wrong most likely lies behind the covers, ${first.name.toLowerCase()} first of all.`, looks }
  if (odds <= CLOSED_UP_TO) return { advice: 'leave-closed', odds, because: `${suspects[0]!.name} is likelier, and is reached without opening: ${suspects[0]!.look}.`, looks }
  return { advice: 'measure-first', odds, because: looks[0] ? `It is not clear yet. ${looks[0].look} would tell most.` : 'It is not clear yet, and no cheap look is left.', looks }
}

function behind(suspects: readonly Suspect[]): number {
  return suspects.reduce((sum, { id, odds }) => sum + (SUSPECTS[id].behindCovers ? odds : 0), 0)
}

function looksOf(job: JobFile, estimates: Estimates, suspects: readonly Suspect[], bearings: readonly Bearing[]): Opening['looks'] {
  const { drive, readings } = job
  const lifters = drive.engine.cylinders <= 2 ? drive.tensioners.map(({ id }) => ({ ...LIFTER, target: id })) : []
  const done = (findings: readonly string[]) => readings.some(({ finding }) => finding !== undefined && findings.includes(finding))
  const asked = [...LOOKS, ...lifters].filter(({ findings }) => !done(findings)).map(({ look, target, findings, minutes }) => ({
    look, kind: 'condition' as const, target, findings: [...findings], gain: lookGain(suspects, findings, bearings), minutes
  }))
  const figures = estimates.next.flatMap(({ kind, target, gain, minutes }) => {
    if (kind !== 'extension' && kind !== 'camLag') return []
    const look = kind === 'extension' ? 'Tensioner extension through the plug or filler' : 'Cam deviation from the engine computer, warm idle'
    return [{ look, kind, target, findings: [], gain: FIGURE_SHARE * gain, minutes }]
  })
  return [...asked, ...figures].sort((a, b) => b.gain - a.gain)
}

/** Fraction of p(1 − p), p the odds of something behind the covers, that a look takes away on average over its outcomes. */
function lookGain(suspects: readonly Suspect[], findings: readonly string[], bearings: readonly Bearing[]): number {
  const factor = (finding: string, id: string) => bearings.filter((b) => b.finding === finding && b.suspect === id).reduce((product, b) => product * b.factor, 1)
  const outcomes = findings.map((finding) => {
    const weights = suspects.map((s) => ({ covered: SUSPECTS[s.id].behindCovers, weight: s.odds * factor(finding, s.id) }))
    const total = weights.reduce((sum, w) => sum + w.weight, 0)
    return { total, odds: weights.reduce((sum, w) => sum + (w.covered ? w.weight : 0), 0) / total }
  })
  const all = outcomes.reduce((sum, { total }) => sum + total, 0)
  const left = outcomes.reduce((sum, { total, odds }) => sum + (total / all) * doubtOf(odds), 0)
  const now = doubtOf(behind(suspects))
  return now > 1e-9 ? Math.max(0, 1 - left / now) : 0
}
