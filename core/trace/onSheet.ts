import type { Message } from '../check'
import type { DriveSheet } from '../sheet'
import { decodeTrace, type Trace } from './decode'
import { compareTraces } from './learn'
import { say } from './says'
import { chainRounds, triggersOf } from './triggers'
import type { Samples } from './types'

/** Cams that a trace of an engine may have channels of: those with trigger wheels, else every driven sprocket. */
export function tracedCams(sheet: DriveSheet): string[] {
  const triggers = triggersOf(sheet)
  if (triggers) return Object.keys(triggers.cams)
  const drivers = new Set(sheet.chains.map(({ driver }) => driver))
  return sheet.sprockets.flatMap(({ id }) => (drivers.has(id) ? [] : [id]))
}

/**
 * Lag of a sheet's cams from a trace; against a good one where there is one, by its wheels where the sheet has none.
 * @param samples channels by `crank` and the sheet's ids, as in `good`
 * @returns what stands in the way instead
 */
export function decodeOnSheet(sheet: DriveSheet, samples: Samples, good: Samples | null): Trace | Message {
  const triggers = triggersOf(sheet)
  const hints = { rounds: chainRounds(sheet) }
  if (!good) return triggers ? decodeTrace(triggers, samples, hints) : say('no-triggers')
  const cams = tracedCams(sheet).filter((cam) => triggers || samples.channels.has(cam))
  return compareTraces(triggers, good, samples, cams, hints)
}
