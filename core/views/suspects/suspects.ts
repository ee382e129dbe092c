import { evidence } from './says'
import type { Message } from '../../check'
import { type Estimates, PRIORS } from '../../estimate'
import { STRETCH_KINDS, type JobFile } from '../../readings'
import { compileSheet, limitFor, partKindOf, type PartKind } from '../../sheet'
import { cdf } from '../../math'
import { type Bearing, BEARINGS, SUSPECT_IDS, type SuspectId, SUSPECTS, TYPICAL_LIFE } from './table'

/** A cause that may be behind the complaint. */
export interface Suspect {
  id: SuspectId
  /** Share of the whole, 0 to 1: one of the suspects is taken to be the main cause. */
  odds: number
  /** What speaks for or against it, the weightiest first. */
  because: (Message & { factor: number; readings: string[] })[]
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
    const because = evidence.filter((e) => e.suspect === id).map(({ suspect: _suspect, ...one }) => one)
    return {
      id,
      because,
      weight: because.reduce(
        (product, { factor }) => product * Math.min(Math.max(factor, 1 / MOST), MOST),
        SUSPECTS[id].prior
      )
    }
  })
  const total = weighed.reduce((sum, { weight }) => sum + weight, 0)
  return weighed
    .map(({ id, because, weight }) => ({
      id,
      odds: weight / total,
      because: because.sort((a, b) => Math.abs(Math.log(b.factor)) - Math.abs(Math.log(a.factor)))
    }))
    .sort((a, b) => b.odds - a.odds)
}

type Evidence = Message & { suspect: SuspectId; factor: number; readings: string[] }

/** Each answer once, however often it was given. */
function answers({ drive, readings }: JobFile, bearings: readonly Bearing[]): Evidence[] {
  const given = new Map<string, { kind: PartKind; readings: string[] }>()
  for (const reading of readings) {
    if (reading.kind !== 'condition') continue
    const known = given.get(reading.finding)
    const kind = partKindOf(drive, reading.target)
    if (known) known.readings.push(reading.id)
    else if (kind) given.set(reading.finding, { kind, readings: [reading.id] })
  }
  return bearings.flatMap(({ finding, suspect, factor }) => {
    const answer = given.get(finding)
    return answer
      ? [{ suspect, factor, ...evidence('answer', { kind: answer.kind, finding, suspect }), readings: answer.readings }]
      : []
  })
}

/**
 * Odds of stretch and jump from the figures against what was believed before them: of the worst chain and the worst
 * cam.
 */
function figures(job: JobFile, estimates: Estimates): Evidence[] {
  const worst = (all: Evidence[]) => all.sort((a, b) => b.factor - a.factor).slice(0, 1)
  return [...worst(weighStretch(job, estimates)), ...worst(weighJump(job, estimates))]
}

/**
 * A chain is too long when it is past its limit, or when its tensioner is and stretch put it there, by a reading that
 * the others do not contradict.
 */
function weighStretch(
  { drive, readings }: JobFile,
  { chains, tensioners, readings: estimated }: Estimates
): Evidence[] {
  const { tensionerOf } = compileSheet(drive)
  const odd = new Set(estimated.filter(({ atOdds }) => atOdds).map(({ id }) => id))
  return drive.chains.flatMap((chain): Evidence[] => {
    const { elongation, readings: used } = chains[chain.id]!
    const limit = limitFor(drive, 'elongation', chain.id)
    const told = readings.filter(({ id, kind }) => STRETCH_KINDS.includes(kind) && used.includes(id))
    if (!limit || told.length === 0 || elongation.overLimit === null) return []
    const before = 2 * (1 - cdf(limit.value / 100 / PRIORS.elongation))
    const out = tensioners[tensionerOf(chain.id)?.id ?? '']
    const doubted = told.some(({ id, kind }) => kind === 'extension' && odd.has(id))
    const byTravel =
      out && out.extension.read !== null && !doubted && mostlyStretch(out.budget) ? (out.extension.overLimit ?? 0) : 0
    const over = Math.max(elongation.overLimit, byTravel)
    const said = evidence('stretched-by-figures', {
      chain: chain.id,
      odds: over,
      byTravel: byTravel > elongation.overLimit
    })
    return [{ suspect: 'stretched-chain', factor: clamp(over / before), ...said, readings: told.map(({ id }) => id) }]
  })
}

/** Is more of what a tensioner has grown stretch than anything else? */
function mostlyStretch(budget: readonly { cause: string; mm: number }[]): boolean {
  const grown = budget.filter(({ cause }) => cause !== 'as new')
  return grown.reduce((a, b) => (b.mm > a.mm ? b : a)).cause === 'stretch'
}

function weighJump({ readings }: JobFile, { cams }: Estimates): Evidence[] {
  return Object.entries(cams).flatMap(([id, cam]): Evidence[] => {
    if (!cam.jump.told) return []
    const likely = 1 - (cam.jump.all['0'] ?? 0)
    const used = readings.filter((r) => r.sprocket === id || r.from === id || r.to === id).map((r) => r.id)
    return [
      {
        suspect: 'jumped',
        factor: clamp(likely / (1 - PRIORS.jump[0]!)),
        ...evidence('jumped-by-figures', { cam: id, odds: likely }),
        readings: used
      }
    ]
  })
}

/** Usage moves the odds of stretch gently, by at most a factor of two either way. */
function usage({ usage: { value, unit } }: JobFile): Evidence[] {
  const factor = Math.min(Math.max(value / TYPICAL_LIFE[unit] + 0.5, 0.5), 2)
  if (Math.abs(factor - 1) < 0.2) return []
  return [{ suspect: 'stretched-chain', factor, ...evidence('usage', { value, unit, more: factor > 1 }), readings: [] }]
}

function clamp(factor: number): number {
  return Math.min(Math.max(factor, 1 / MOST), MOST)
}
