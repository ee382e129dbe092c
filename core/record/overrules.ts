import type { ActOf } from './acts'
import type { Call, PartCall } from '../calls'

/** A part's call with what a mechanic said otherwise. */
export interface HeldCall extends PartCall {
  /** What holds: the mechanic's call where there is one. */
  holds: Call
  overruled: { call: Call; reason: string; by: string; at: string } | null
}

/** The calls as they hold, each with what overrules it; a part that no rule speaks of may be called on too. */
export function heldCalls(calls: readonly PartCall[], overrules: ReadonlyMap<string, ActOf<'overrule'>>): HeldCall[] {
  const known = new Set(calls.map(({ part }) => part))
  const silent = [...overrules].filter(([part]) => !known.has(part))
  return [
    ...calls.map((call): HeldCall => {
      const act = overrules.get(call.part)
      return { ...call, holds: act?.call ?? call.call, overruled: act ? saidOtherwise(act) : null }
    }),
    ...silent.map(([part, act]): HeldCall => ({
      part,
      call: 'look-closer',
      reasons: [],
      holds: act.call,
      overruled: saidOtherwise(act)
    }))
  ]
}

function saidOtherwise({ call, reason, by, at }: ActOf<'overrule'>): HeldCall['overruled'] {
  return { call, reason, by, at }
}
