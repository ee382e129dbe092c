import type { Assessment } from '../paths'
import { Folding, type Act } from './acts'

type Plain = Record<string, unknown>

/**
 * Acts with their sign-offs in the newest form of an assessment. Version 1 named readings by their places and held
 * reasons as sentences: places become the ids of the readings that stood then, sentences are kept whole. Acts from
 * outside need not be sound: what cannot be upgraded stays as it is, to be refused by the checks.
 */
export function upgradeSignoffs(acts: readonly unknown[]): unknown[] {
  if (!acts.some(isOldSignoff)) return [...acts]
  const folding = new Folding('on-evidence')
  return acts.map((act) => {
    const now = isOldSignoff(act) ? { ...act, assessment: upgradeAssessment(act.assessment, idsInForce(folding)) } : act
    attempt(() => folding.add(now as Act))
    return now
  })
}

function isOldSignoff(act: unknown): act is Plain & { assessment: Plain } {
  const { type, assessment } = (act ?? {}) as { type?: unknown; assessment?: { version?: unknown } | null }
  return type === 'signoff' && assessment?.version === 1
}

function idsInForce(folding: Folding): readonly string[] {
  return attempt(() => folding.record.readings.map(({ id }) => id)) ?? []
}

function attempt<T>(work: () => T): T | null {
  try {
    return work()
  } catch {
    return null
  }
}

/** An assessment of version 1 as version 2 has it. @param ids of the readings it rests on, in their order */
function upgradeAssessment(old: Plain, ids: readonly string[]): Plain {
  return (
    attempt((): Plain => {
      const { chains, cams, readings, faults, calls } = old as unknown as OldAssessment
      const named = (places: readonly number[]) => places.map((place) => ids[place] ?? `reading-${place}`)
      return {
        ...old,
        version: 2,
        chains: mapById(chains, ({ status: { converged, iterations }, ...chain }) => ({
          ...chain,
          status: { converged, iterations, moved: 0 },
          readings: named(chain.readings)
        })),
        cams: mapById(cams, (cam) => ({
          ...cam,
          argument: cam.argument === null ? null : { code: 'moved', figures: { hidden: null } }
        })),
        readings: readings.map(({ index, ...reading }) => ({ id: ids[index] ?? `reading-${index}`, ...reading })),
        faults: faults.map(({ index, message }) => ({ id: ids[index] ?? `reading-${index}`, ...quoteSigned(message) })),
        calls: calls.map((call) => ({
          ...call,
          reasons: call.reasons.map(({ text, release, readings: places, ...reason }) => ({
            ...reason,
            ...quoteSigned(text),
            readings: named(places),
            ...(release === undefined ? {} : { release: quoteSigned(release) })
          }))
        }))
      }
    }) ?? old
  )
}

/** Characters that a message keeps of a sentence. */
const MOST = 4000

function quoteSigned(text: string): { code: string; figures: { text: string } } {
  return { code: 'as-signed', figures: { text: String(text).slice(0, MOST) } }
}

function mapById<T>(byId: { [id: string]: T }, change: (one: T) => unknown): Plain {
  return Object.fromEntries(Object.entries(byId).map(([id, one]) => [id, change(one)]))
}

interface OldAssessment {
  chains: { [id: string]: { status: { converged: boolean; iterations: number }; readings: number[] } }
  cams: { [id: string]: { argument: string | null } }
  readings: { index: number }[]
  faults: { index: number; message: string }[]
  calls: { reasons: { text: string; release?: string; readings: number[] }[] }[]
}

/** What two assessments must have alike for one to stand for the other: all figures and calls, not how they are put. */
export function figuresOf({ chains, rails, tensioners, cams, readings, next, calls }: Assessment): unknown {
  return {
    rails,
    tensioners,
    readings,
    next,
    chains: mapById(chains, ({ elongation, readings: used, places }) => ({ elongation, readings: used, places })),
    cams: mapById(cams, ({ argument, ...cam }) => ({ ...cam, argued: argument !== null })),
    calls: calls.map(({ part, call, reasons }) => ({
      part,
      call,
      reasons: reasons.map(({ rule, call: own, readings: behind, limit, settle }) => ({
        rule,
        call: own,
        readings: behind,
        limit,
        settle
      }))
    }))
  }
}

/** Is an assessment one that an older version signed in its own words? */
export function isInOldWords({ calls }: Assessment): boolean {
  return calls.some(({ reasons }) => reasons.some(({ code }) => code === 'as-signed'))
}
