import { type Message, messagesOf } from '../../check'
import type { Assessment } from '../../paths'
import { compileSheet, type DriveSheet } from '../../sheet'

/** What happened to a drive, by code; elongations and their spread in per cent. */
export interface VerdictSays {
  'nothing-read': {}
  /** `limit` null where the sheet has none; `odds` of what `past` says. */
  stretch: { chain: string; mean: number; spread: number; limit: number | null; past: boolean; odds: number }
  travel: { tensioner: string; read: number; limit: number; odds: number }
  /** A part past a limit of its own: by the reason that goes with it. */
  worn: { part: string }
  'jump-unknown': {}
  /** `all`: of every cam, not only of those that were read. */
  'none-jumped': { all: boolean; odds: number }
  'has-jumped': { cam: string; teeth: number; odds: number }
}

const say = messagesOf<VerdictSays>()

/** One statement of a verdict, with the reason that it rests on where it is a part's own. */
export type Statement = Message & { readonly reason?: Message }

/**
 * What happened to a drive with its odds: stretch for each chain, what is worn or out past its limit, then jumps, then
 * what is not known.
 */
export function plainVerdict(sheet: DriveSheet, assessment: Assessment): Statement[] {
  if (assessment.readings.every(({ predicted }) => predicted === null)) return [say('nothing-read')]
  return [...stretches(sheet, assessment), ...travel(sheet, assessment), ...wear(assessment), ...jumps(assessment)]
}

function stretches(sheet: DriveSheet, { chains }: Assessment): Statement[] {
  const { limit: limitOf } = compileSheet(sheet)
  return sheet.chains.map(({ id: chain }) => {
    const { mean, low, high, overLimit } = chains[chain]!.elongation
    const over = overLimit ?? 0
    return say('stretch', {
      chain,
      mean: 100 * mean,
      spread: 50 * (high - low),
      limit: limitOf('elongation', chain)?.value ?? null,
      past: over >= 0.5,
      odds: over >= 0.5 ? over : 1 - over
    })
  })
}

/** Tensioners out past their limit: a chain within its own can have used up the travel together with the rails. */
function travel(sheet: DriveSheet, { tensioners }: Assessment): Statement[] {
  return sheet.tensioners.flatMap(({ id, limit }) => {
    const { read, overLimit } = tensioners[id]!.extension
    return !limit || read === null || overLimit === null || overLimit < 0.5
      ? []
      : [say('travel', { tensioner: id, read, limit: limit.value, odds: overLimit })]
  })
}

/** Rules that hold a part's own wear against its limit. */
const WORN: readonly string[] = ['groove-limit', 'pad-limit', 'play-limit']

function wear({ calls }: Assessment): Statement[] {
  return calls.flatMap(({ part, reasons }) =>
    reasons
      .filter(({ rule, call }) => WORN.includes(rule) && call === 'renew')
      .map(({ code, figures }) => ({ ...say('worn', { part }), reason: { code, figures } }))
  )
}

function jumps({ cams }: Assessment): Statement[] {
  const told = Object.entries(cams).filter(([, cam]) => cam.jump.told)
  if (told.length === 0) return [say('jump-unknown')]
  const moved = told.filter(([, { jump }]) => jump.teeth !== 0)
  if (moved.length > 0)
    return moved.map(
      ([
        cam,
        {
          jump: { teeth, odds }
        }
      ]) => say('has-jumped', { cam, teeth, odds })
    )
  return [
    say('none-jumped', {
      all: told.length === Object.keys(cams).length,
      odds: Math.min(...told.map(([, { jump }]) => jump.odds))
    })
  ]
}
