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
  const said = (part: string) => {
    const act = overrules.get(part)
    return act ? { call: act.call, reason: act.reason, by: act.by, at: act.at } : null
  }
  const silent = [...overrules.keys()].filter((part) => !calls.some((call) => call.part === part))
  return [
    ...calls.map((call): HeldCall => ({
      ...call,
      holds: said(call.part)?.call ?? call.call,
      overruled: said(call.part)
    })),
    ...silent.map((part): HeldCall => ({
      part,
      call: 'look-closer',
      reasons: [],
      holds: said(part)!.call,
      overruled: said(part)
    }))
  ]
}
