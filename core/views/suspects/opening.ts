import { say, type LookId } from './says'
import type { Message } from '../../check'
import type { Estimates } from '../../estimate'
import type { JobFile } from '../../readings'
import { type Suspect, suspectsOf } from './suspects'
import { type Bearing, BEARINGS, SUSPECTS } from './table'

/** Whether to open the covers. */
export interface Opening {
  advice: 'open' | 'leave-closed' | 'measure-first'
  /** Odds that what is wrong lies behind the covers. */
  odds: number
  because: Message
  /** Cheap looks not yet taken, the most telling first: fraction of the doubt each would take away on average. */
  looks: {
    look: LookId
    kind: 'condition' | 'extension' | 'camLag'
    target: string
    findings: string[]
    gain: number
    minutes: number
  }[]
}

/** Odds from which it is opened, and up to which it stays closed. */
const OPEN_FROM = 0.8
const CLOSED_UP_TO = 0.35

/** A figure tells of the chain alone, about half of what may lie behind the covers. */
const FIGURE_SHARE = 0.5

/** Looks with two outcomes that need no cover off. */
const LOOKS = [
  { look: 'vacuum', target: 'engine', findings: ['vacuum-low', 'vacuum-right'], minutes: 5 },
  { look: 'trace', target: 'engine', findings: ['trace-shifted', 'trace-alike'], minutes: 15 },
  { look: 'pan', target: 'engine', findings: ['oil-plastic', 'oil-clean'], minutes: 15 }
] as const

/** On small singles: the removed lifter pushed in by hand at its hole. */
const LIFTER = { look: 'lifter', findings: ['lifter-flush', 'lifter-gap'], minutes: 10 } as const

/**
 * Open it, leave it closed, or measure first, from what is known before the covers are off. A jump that is likelier
 * than
 * not on an interference engine, and plastic in the pan, open it whatever the odds.
 */
export function openingOf(job: JobFile, estimates: Estimates, bearings: readonly Bearing[] = BEARINGS): Opening {
  const suspects = suspectsOf(job, estimates, bearings)
  const odds = behind(suspects)
  const looks = looksOf(job, estimates, suspects, bearings)
  const jumped = Object.values(estimates.cams).some(({ jump }) => jump.told && (jump.all['0'] ?? 0) < 0.5)
  const plastic = job.readings.some(({ finding }) => finding === 'oil-plastic')
  const first = suspects.find(({ id }) => SUSPECTS[id].behindCovers) ?? suspects[0]!
  if (jumped && job.drive.engine.interference) return { advice: 'open', odds, because: say('likely-jumped'), looks }
  if (plastic) return { advice: 'open', odds, because: say('plastic'), looks }
  if (odds >= OPEN_FROM) return { advice: 'open', odds, because: say('behind-covers', { suspect: first.id }), looks }
  if (odds <= CLOSED_UP_TO)
    return { advice: 'leave-closed', odds, because: say('likelier-outside', { suspect: suspects[0]!.id }), looks }
  return {
    advice: 'measure-first',
    odds,
    because: looks[0] ? say('one-look', { look: looks[0].look }) : say('no-look'),
    looks
  }
}

function behind(suspects: readonly Suspect[]): number {
  return suspects.reduce((sum, { id, odds }) => sum + (SUSPECTS[id].behindCovers ? odds : 0), 0)
}

function looksOf(
  job: JobFile,
  estimates: Estimates,
  suspects: readonly Suspect[],
  bearings: readonly Bearing[]
): Opening['looks'] {
  const { drive, readings } = job
  const lifters = drive.engine.cylinders <= 2 ? drive.tensioners.map(({ id }) => ({ ...LIFTER, target: id })) : []
  const done = (findings: readonly string[]) =>
    readings.some(({ finding }) => finding !== undefined && findings.includes(finding))
  const asked = [...LOOKS, ...lifters]
    .filter(({ findings }) => !done(findings))
    .map(({ look, target, findings, minutes }) => ({
      look,
      kind: 'condition' as const,
      target,
      findings: [...findings],
      gain: lookGain(suspects, findings, bearings),
      minutes
    }))
  const figures = estimates.next.flatMap(({ kind, target, gain, minutes }) => {
    if (kind !== 'extension' && kind !== 'camLag') return []
    return [{ look: kind, kind, target, findings: [], gain: FIGURE_SHARE * gain, minutes }]
  })
  return [...asked, ...figures].sort((a, b) => b.gain - a.gain)
}

/**
 * Fraction of p(1 − p), p the odds of something behind the covers, that a look takes away on average over its outcomes.
 */
function lookGain(suspects: readonly Suspect[], findings: readonly string[], bearings: readonly Bearing[]): number {
  const factor = (finding: string, id: string) =>
    bearings.filter((b) => b.finding === finding && b.suspect === id).reduce((product, b) => product * b.factor, 1)
  const outcomes = findings.map((finding) => {
    const weights = suspects.map((s) => ({
      covered: SUSPECTS[s.id].behindCovers,
      weight: s.odds * factor(finding, s.id)
    }))
    const total = weights.reduce((sum, w) => sum + w.weight, 0)
    return { total, odds: weights.reduce((sum, w) => sum + (w.covered ? w.weight : 0), 0) / total }
  })
  const all = outcomes.reduce((sum, { total }) => sum + total, 0)
  const left = outcomes.reduce((sum, { total, odds }) => sum + (total / all) * doubtOf(odds), 0)
  const now = doubtOf(behind(suspects))
  return now > 1e-9 ? Math.max(0, 1 - left / now) : 0
}

/** p(1 − p): greatest at even odds, 0 when decided. */
function doubtOf(odds: number): number {
  return odds * (1 - odds)
}
