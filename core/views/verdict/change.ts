import type { Message } from '../../check'
import { messagesOf } from '../../check'
import type { Estimates } from '../../estimate'
import type { NumericKind } from '../../readings'
import { type Act, type ActType } from '../../record'
import { type DriveSheet, type PartKind, partKindOf } from '../../sheet'

/** What moved an estimate, as the subject of a sentence. */
export interface CauseSays {
  entries: { count: number }
  revision: { revision: number }
  act: { type: ActType }
  finding: { kind: PartKind; finding: string }
  reading: { kind: NumericKind; corrected: boolean }
}

const cause = messagesOf<CauseSays>()

/** How acts moved the estimate; several that came at once share it. */
export interface Change {
  cause: Message
  /**
   * Per cent of elongation before and after, and half its 90 % interval: each null where it did not move by what is
   * shown of it.
   */
  chains: { chain: string; mean: Moved | null; spread: Moved | null }[]
  /** Cams whose likeliest jump is another than before. */
  jumps: { cam: string; teeth: number }[]
}

interface Moved {
  from: number
  to: number
}

/** Digits after the point that a change is shown with: one below them is none. */
const DIGITS = 2

/** What acts did to the estimate: how much the elongation moved, and how its uncertainty changed. */
export function explainChange(sheet: DriveSheet, acts: readonly Act[], before: Estimates, after: Estimates): Change {
  const [first] = acts
  const chains = sheet.chains.flatMap(({ id }) => {
    const [was, is] = [before.chains[id]?.elongation, after.chains[id]?.elongation]
    if (!was || !is) return []
    const [mean, spread] = [
      moveBetween(100 * was.mean, 100 * is.mean),
      moveBetween(50 * (was.high - was.low), 50 * (is.high - is.low))
    ]
    return mean || spread ? [{ chain: id, mean, spread }] : []
  })
  return {
    cause: acts.length === 1 && first ? causeOf(sheet, first) : cause('entries', { count: acts.length }),
    chains,
    jumps: jumpChanges(before, after)
  }
}

function moveBetween(from: number, to: number): Moved | null {
  return from.toFixed(DIGITS) === to.toFixed(DIGITS) ? null : { from, to }
}

function jumpChanges(before: Estimates, after: Estimates): Change['jumps'] {
  return Object.entries(after.cams).flatMap(
    ([
      cam,
      {
        jump: { teeth }
      }
    ]) => (teeth === (before.cams[cam]?.jump.teeth ?? 0) ? [] : [{ cam, teeth }])
  )
}

function causeOf(sheet: DriveSheet, act: Act): Message {
  if (act.type === 'sheet') return cause('revision', { revision: act.revision })
  if (act.type !== 'read') return cause('act', { type: act.type })
  const { reading, supersedes } = act
  if (reading.kind !== 'condition') return cause('reading', { kind: reading.kind, corrected: supersedes !== undefined })
  return cause('finding', { kind: partKindOf(sheet, reading.target) ?? 'engine', finding: reading.finding })
}
