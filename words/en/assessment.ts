import type { Assessment } from '../../core/paths'
import type { JobFile } from '../../core/readings'
import { sayArgument, sayLeftOut } from './leftOut'
import { namesOf } from './parts'
import { sayReason, sayRelease } from './reasons'

/**
 * An assessment as it is printed: codes and figures with the text that they come to, and the place of each reading in
 * the file beside its id.
 */
export function writeAssessment(job: JobFile, assessment: Assessment) {
  const name = namesOf(job.drive)
  const places = new Map(job.readings.map(({ id }, place) => [id, place]))
  const indices = (ids: readonly string[]) => ids.map((id) => places.get(id))
  return {
    ...assessment,
    chains: Object.fromEntries(
      Object.entries(assessment.chains).map(([id, chain]) => [id, { ...chain, indices: indices(chain.readings) }])
    ),
    cams: Object.fromEntries(
      Object.entries(assessment.cams).map(([id, { argument, ...cam }]) => [
        id,
        { ...cam, argument: argument && { ...argument, text: sayArgument(argument) } }
      ])
    ),
    readings: assessment.readings.map((reading) => ({ index: places.get(reading.id), ...reading })),
    faults: assessment.faults.map((fault) => ({ index: places.get(fault.id), ...fault, message: sayLeftOut(fault) })),
    calls: assessment.calls.map((call) => ({
      ...call,
      reasons: call.reasons.map(({ release, ...reason }) => ({
        ...reason,
        text: sayReason(reason, name),
        indices: indices(reason.readings),
        ...(release ? { release: { ...release, text: sayRelease(release, name) } } : {})
      }))
    }))
  }
}
