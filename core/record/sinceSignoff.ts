import { heldCalls } from './overrules'
import type { Call } from '../calls'
import type { Assessment } from '../paths'
import { type Act, type ActOf, foldActs, type StandingReading } from './acts'
import type { School } from '../readings'

/** What has changed since a verdict was signed. */
export interface SinceSignoff {
  /** Readings taken, and readings that no longer stand. */
  added: StandingReading[]
  gone: StandingReading[]
  calls: { part: string; was: Call | null; is: Call | null }[]
  /** Elongations, fractions, of chains where it moved by more than a hundredth of a per cent point. */
  elongations: { chain: string; was: number; is: number }[]
  overrules: { part: string; was: string | null; is: string | null }[]
  school: { was: School; is: School } | null
}

/** Fraction; less is no change worth a word. */
const WORTH = 1e-4

/**
 * What a job comes to now against what it came to when a verdict on it was signed.
 * @returns null when nothing changed that a verdict rests on
 */
export function sinceSignoff(
  acts: readonly Act[],
  signed: ActOf<'signoff'>,
  now: Assessment,
  openedUnder: School
): SinceSignoff | null {
  const before = acts.slice(
    0,
    acts.findIndex(({ id }) => id === signed.id)
  )
  const [was, is] = [foldActs(before, openedUnder), foldActs(acts, openedUnder)]
  const ids = (readings: readonly StandingReading[]) => new Set(readings.map(({ id }) => id))
  const [old, current] = [ids(was.readings), ids(is.readings)]
  const held = [heldCalls(signed.assessment.calls, was.overrules), heldCalls(now.calls, is.overrules)] as const
  const parts = [...new Set(held.flat().map(({ part }) => part))]
  const since: SinceSignoff = {
    added: is.readings.filter(({ id }) => !old.has(id)),
    gone: was.readings.filter(({ id }) => !current.has(id)),
    calls: parts
      .map((part) => ({
        part,
        was: held[0].find((c) => c.part === part)?.holds ?? null,
        is: held[1].find((c) => c.part === part)?.holds ?? null
      }))
      .filter((c) => c.was !== c.is),
    elongations: Object.entries(now.chains).flatMap(([chain, { elongation }]) => {
      const then = signed.assessment.chains[chain]?.elongation.mean ?? 0
      return Math.abs(then - elongation.mean) > WORTH ? [{ chain, was: then, is: elongation.mean }] : []
    }),
    overrules: [...new Set([...was.overrules.keys(), ...is.overrules.keys()])]
      .map((part) => ({
        part,
        was: was.overrules.get(part)?.reason ?? null,
        is: is.overrules.get(part)?.reason ?? null
      }))
      .filter((o) => o.was !== o.is),
    school: was.school === is.school ? null : { was: was.school, is: is.school }
  }
  const any =
    since.school !== null ||
    [since.added, since.gone, since.calls, since.elongations, since.overrules].some((list) => list.length > 0)
  return any ? since : null
}
