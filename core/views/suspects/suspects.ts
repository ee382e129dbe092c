import { evidence } from './says'
import type { Message } from '../../check'
import { type Estimates, PRIORS } from '../../estimate'
import { cylinderPattern, figureOf, heldAgainst, readingSigma, STRETCH_KINDS, type JobFile } from '../../readings'
import { compileSheet, limitFor, partKindOf, type PartKind } from '../../sheet'
import { cdf } from '../../math'
import { SHIPPED, type SuspectTable } from './ownTable'
import { type Bearing, FADES_OVER, SUSPECT_IDS, type SuspectId, TYPICAL_LIFE } from './table'
import { type PartShare, whereabouts } from './whereabouts'

/** A cause that may be behind the complaint. */
export interface Suspect {
  id: SuspectId
  /** Share of the whole, 0 to 1: one of the suspects is taken to be the main cause. */
  odds: number
  /** Which part of its kind it likelier is; empty where nothing tells. */
  parts: PartShare[]
  /** What speaks for or against it, the weightiest first. */
  because: (Message & { factor: number; readings: string[] })[]
}

/** A factor never counts for more than this or less than its inverse: no single answer decides alone. */
const MOST = 20

/**
 * Suspects before teardown, the likeliest first: prior times the factor of every answer given (naive Bayes: answers are
 * taken one by one), with what the figures read so far say of stretch and jump, and a little by usage.
 * @param table a workshop's own, or the one that ships
 */
export function suspectsOf(job: JobFile, estimates: Estimates, table: SuspectTable = SHIPPED): Suspect[] {
  const evidence = [...answers(job, table.bearings), ...figures(job, estimates), ...usage(job)]
  const weighed = SUSPECT_IDS.map((id) => {
    const because = evidence.filter((e) => e.suspect === id).map(({ suspect: _suspect, ...one }) => one)
    return {
      id,
      because,
      weight: because.reduce(
        (product, { factor }) => product * Math.min(Math.max(factor, 1 / MOST), MOST),
        table.prior(id)
      )
    }
  })
  const total = weighed.reduce((sum, { weight }) => sum + weight, 0)
  return weighed
    .map(({ id, because, weight }) => ({
      id,
      odds: weight / total,
      parts: whereabouts(job, id, table.bearings),
      because: because.sort((a, b) => Math.abs(Math.log(b.factor)) - Math.abs(Math.log(a.factor)))
    }))
    .sort((a, b) => b.odds - a.odds)
}

type Evidence = Message & { suspect: SuspectId; factor: number; readings: string[] }

/** What was answered, each once however often: its kind of part, its figure, and the readings that say so. */
interface Answer {
  finding: string
  kind: PartKind
  value: number | undefined
  /** Told by a recording alone. */
  isWeak: boolean
  readings: string[]
}

/** Each answer once, however often it was given. */
function answers(job: JobFile, bearings: readonly Bearing[]): Evidence[] {
  const given = [...answersOf(job), ...cylinders(job)]
  return bearings.flatMap((bearing) =>
    given.flatMap((answer): Evidence[] => {
      if (!bearsOn(bearing, answer)) return []
      const { finding, suspect } = bearing
      const [named = finding] = finding.split(':')
      const told = bearing.fades ? fadedFactor(job, bearing, answer) : bearing.factor
      const factor = answer.isWeak ? told ** RECORDED : told
      return [
        {
          suspect,
          factor,
          ...evidence('answer', { kind: answer.kind, finding: named, suspect }),
          readings: answer.readings
        }
      ]
    })
  )
}

/** Of what an answer says, what a recording alone says of it. */
const RECORDED = 0.5

function bearsOn({ finding, on, from = -Infinity, upTo = Infinity }: Bearing, answer: Answer): boolean {
  if (finding !== answer.finding || (on !== undefined && on !== answer.kind)) return false
  if (from === -Infinity && upTo === Infinity) return true
  return answer.value !== undefined && answer.value >= from && answer.value <= upTo
}

/** Findings by name and kind of part; one held against a limit by what that comes to. */
function answersOf({ drive, readings }: JobFile): Answer[] {
  const given = new Map<string, Answer>()
  for (const reading of readings) {
    if (reading.kind !== 'condition') continue
    const kind = partKindOf(drive, reading.target)
    if (!kind || figureOf(reading.finding)?.perCylinder) continue
    const held = heldAgainst(drive, reading)
    const finding = held ? `${reading.finding}:${held.past ? 'low' : 'right'}` : reading.finding
    const known = given.get(`${finding} ${kind}`)
    const isWeak = reading.heardBy === 'recording'
    if (known) {
      known.readings.push(reading.id)
      known.isWeak &&= isWeak
    } else given.set(`${finding} ${kind}`, { finding, kind, value: reading.value, isWeak, readings: [reading.id] })
  }
  return [...given.values()]
}

/** What the cylinders look like together. */
function cylinders({ drive, readings }: JobFile): Answer[] {
  const found = cylinderPattern(drive, readings)
  return found
    ? [
        {
          finding: `cylinders:${found.pattern}`,
          kind: 'engine',
          value: undefined,
          isWeak: false,
          readings: [...found.readings]
        }
      ]
    : []
}

/**
 * What was renewed counts in full right after, and less with every usage since: factor^(½^(usage since / half-life)).
 * Where nobody said when, half of it counts.
 */
function fadedFactor({ usage: { value: now, unit } }: JobFile, { factor }: Bearing, { value: then }: Answer): number {
  const share = then === undefined ? 0.5 : 0.5 ** (Math.max(0, now - then) / FADES_OVER[unit])
  return factor ** share
}

/**
 * Odds of stretch and jump from the figures against what was believed before them: of the worst chain and the worst
 * cam.
 */
function figures(job: JobFile, estimates: Estimates): Evidence[] {
  const worst = (all: Evidence[]) => all.sort((a, b) => b.factor - a.factor).slice(0, 1)
  return [
    ...worst(weighStretch(job, estimates)),
    ...worst(weighJump(job, estimates)),
    ...worst(weighRails(job, estimates)),
    ...worst(weighPlay(job))
  ]
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

/** Of complaints those whose rail, or phaser, is past its limit before anything of it was read. */
const PAST_BEFORE = 0.12

/** A rail whose groove was read, against its limit. */
function weighRails({ readings }: JobFile, { rails }: Estimates): Evidence[] {
  return Object.entries(rails).flatMap(([rail, { wear }]): Evidence[] => {
    const read = readings.flatMap((r) => (r.kind === 'groove' && r.rail === rail ? [r.id] : []))
    const odds = wear.overLimit
    if (read.length === 0 || odds === null) return []
    return [
      {
        suspect: 'worn-rail',
        factor: clamp(odds / PAST_BEFORE),
        ...evidence('worn-by-figures', { rail, odds }),
        readings: read
      }
    ]
  })
}

/** A phaser whose play was read, against its limit. */
function weighPlay({ drive, readings }: JobFile): Evidence[] {
  return drive.phasers.flatMap(({ id, playLimit }): Evidence[] => {
    const read = readings.flatMap((r) => (r.kind === 'phaserPlay' && r.phaser === id ? [r] : []))
    const last = read.at(-1)
    if (!last || !playLimit) return []
    const odds = cdf((last.value - playLimit.value) / (readingSigma(drive, last) ?? 1))
    return [
      {
        suspect: 'loose-phaser',
        factor: clamp(odds / PAST_BEFORE),
        ...evidence('loose-by-figures', { phaser: id, odds }),
        readings: read.map((r) => r.id)
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
