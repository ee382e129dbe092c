import { say, type LookId } from './says'
import type { Message } from '../../check'
import type { Estimates } from '../../estimate'
import type { JobFile } from '../../readings'
import { type Suspect, suspectsOf } from './suspects'
import { SHIPPED, type SuspectTable } from './ownTable'
import { type Bearing, SUSPECTS } from './table'

/** Whether to open the covers. */
export interface Opening {
  advice: 'open' | 'leave-closed' | 'measure-first'
  /** Odds that something behind the covers has to be mended. */
  odds: number
  /** Odds of what is behind them too, but does no harm: opened for it, the customer buys quiet. */
  quiet: number
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
 * than not on an interference engine, and plastic in the pan, open it whatever the odds.
 */
export function openingOf(job: JobFile, estimates: Estimates, table: SuspectTable = SHIPPED): Opening {
  const suspects = suspectsOf(job, estimates, table)
  const odds = behind(suspects)
  const looks = looksOf(job, estimates, suspects, table.bearings)
  const jumped = Object.values(estimates.cams).some(({ jump }) => jump.told && (jump.all['0'] ?? 0) < 0.5)
  const plastic = job.readings.some(({ finding }) => finding === 'oil-plastic')
  const first = suspects.find(({ id }) => SUSPECTS[id].behindCovers && !SUSPECTS[id].harmless) ?? suspects[0]!
  const base = { odds, looks, quiet: quietOf(suspects) }
  if (jumped && job.drive.engine.interference) return { ...base, advice: 'open', because: say('likely-jumped') }
  if (plastic) return { ...base, advice: 'open', because: say('plastic') }
  if (odds >= OPEN_FROM) return { ...base, advice: 'open', because: say('behind-covers', { suspect: first.id }) }
  if (odds <= CLOSED_UP_TO) return { ...base, advice: 'leave-closed', because: whyClosed(suspects[0]!) }
  return {
    ...base,
    advice: 'measure-first',
    because: looks[0] ? say('one-look', { look: looks[0].look }) : say('no-look')
  }
}

/** Why the covers stay on: what is likeliest is outside, does no harm, or is nothing at all. */
function whyClosed({ id, odds }: Suspect): Message {
  if (SUSPECTS[id].harmless) return say('only-noise', { suspect: id, odds })
  return id === 'nothing' ? say('nothing-noticed', { odds }) : say('likelier-outside', { suspect: id })
}

/** Odds of a cause that has to be mended behind the covers: harmless noise has its cause there and needs nothing. */
function behind(suspects: readonly Suspect[]): number {
  return suspects.reduce(
    (sum, { id, odds }) => sum + (SUSPECTS[id].behindCovers && !SUSPECTS[id].harmless ? odds : 0),
    0
  )
}

function quietOf(suspects: readonly Suspect[]): number {
  return suspects.reduce((sum, { id, odds }) => sum + (SUSPECTS[id].harmless ? odds : 0), 0)
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
