import { type Act, type ActOf, Folding } from '../../../core/record'
import type { DriveSheet } from '../../../core/sheet'
import { namesOf, sayArgument, sayLeftOut, sayReason, sayRelease } from '../../../words/en'

/**
 * A job's acts with sign-offs as version 1 of an assessment had them: readings by their places, reasons as sentences.
 */
export function withOldSignoffs(sheet: DriveSheet, acts: readonly Act[]): unknown[] {
  const folding = new Folding('on-evidence')
  return acts.map((act) => {
    const now =
      act.type === 'signoff'
        ? {
            ...act,
            assessment: oldAssessment(
              act,
              sheet,
              folding.record.readings.map(({ id }) => id)
            )
          }
        : act
    folding.add(act)
    return now
  })
}

function oldAssessment({ assessment }: ActOf<'signoff'>, sheet: DriveSheet, ids: readonly string[]) {
  const name = namesOf(sheet)
  const places = (readings: readonly string[]) => readings.map((id) => Math.max(0, ids.indexOf(id)))
  const { chains, cams, readings, faults, calls, ...rest } = assessment
  return {
    ...rest,
    version: 1,
    chains: Object.fromEntries(
      Object.entries(chains).map(
        ([
          id,
          {
            status: { converged, iterations },
            ...chain
          }
        ]) => [
          id,
          {
            ...chain,
            status: { converged, iterations, reason: converged ? 'settled' : 'still moving' },
            readings: places(chain.readings)
          }
        ]
      )
    ),
    cams: Object.fromEntries(
      Object.entries(cams).map(([id, cam]) => [id, { ...cam, argument: cam.argument && sayArgument(cam.argument) }])
    ),
    readings: readings.map(({ id, ...reading }) => ({ index: Math.max(0, ids.indexOf(id)), ...reading })),
    faults: faults.map((fault) => ({ index: Math.max(0, ids.indexOf(fault.id)), message: sayLeftOut(fault) })),
    calls: calls.map((call) => ({
      ...call,
      reasons: call.reasons.map(({ code, figures, release, readings: behind, ...reason }) => ({
        ...reason,
        text: sayReason({ code, figures }, name),
        readings: places(behind),
        ...(release ? { release: sayRelease(release, name) } : {})
      }))
    }))
  }
}
