import type { Message } from '../check'
import type { DriveSheet } from '../sheet'
import { decodeTrace } from './decode'
import { learnTriggers } from './learn'
import { chainRounds, triggersOf } from './triggers'
import { tracedCams } from './onSheet'
import { CYCLE, type Samples, type Triggers } from './types'

/** What is kept of a good trace: its wheels as they came, in the form of a sheet, and what it was read with. */
export interface GoodTrace {
  triggers: NonNullable<DriveSheet['triggers']>
  /** crank degrees: the largest standard error of its cams. */
  error: number
  turns: number
  /** Mean of its turns. */
  rpm: number
}

/**
 * A trace kept as good: another one, decoded by its wheels, is late against it. On a sheet with trigger wheels their
 * stretches stand where this engine has them; without, they are learnt.
 * @param samples channels by `crank` and the sheet's ids
 * @returns what stands in the way instead
 */
export function goodOf(sheet: DriveSheet, samples: Samples): GoodTrace | Message {
  const cams = tracedCams(sheet).filter((cam) => samples.channels.has(cam))
  const wheels = triggersOf(sheet) ?? learnTriggers(samples, cams)
  if ('code' in wheels) return wheels
  const trace = decodeTrace(wheels, samples, { rounds: chainRounds(sheet) })
  if ('code' in trace) return trace
  const stands = Object.entries(trace.cams).map(([cam, { lag, own }]) => {
    const shifted = wheels.cams[cam]!.map(([from, to], i): [number, number] => {
      const [a, b] = [from + lag + (own[2 * i] ?? 0), to + lag + (own[2 * i + 1] ?? 0)]
      const round = CYCLE * Math.floor(a / CYCLE)
      return [fine(a - round), fine(b - round)]
    })
    return [cam, shifted] as const
  })
  return {
    triggers: { crank: onSheet(wheels.crank), cams: Object.fromEntries(stands) },
    error: fine(Math.max(...Object.values(trace.cams).map(({ error }) => error))),
    turns: fine(trace.turns),
    rpm: Math.round(trace.rpm.mean)
  }
}

const fine = (value: number) => Number(value.toFixed(3))

/** A crank's wheel as a sheet has it: teeth counted from 1. */
function onSheet({ teeth, gaps, first, sensor, edge }: Triggers['crank']): GoodTrace['triggers']['crank'] {
  return {
    teeth,
    missing: gaps.length,
    first,
    sensor,
    ...(edge ? { edge } : {}),
    gaps: gaps.map((gap) => gap + 1)
  }
}
