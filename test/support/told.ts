import type { Message } from '../../core/check'
import { estimate } from '../../core/estimate'
import { assess } from '../../core/paths'
import type { JobFile } from '../../core/readings'
import type { DriveSheet } from '../../core/sheet'
import type { Inspection } from '../../core/views/practice'
import { inspectionWords, namesOf, sayEvidence, sayFault, sayLeftOut, writeAssessment } from '../../words/en'

/** An assessment as a test reads it: reasons in words, readings by their places in the job. */
export function assessed(job: JobFile) {
  const { calls, faults, ...others } = writeAssessment(job, assess(job))
  return {
    ...others,
    faults: faults.map(({ index, message }) => ({ index, message })),
    calls: calls.map((call) => ({
      ...call,
      reasons: call.reasons.map(({ indices, release, ...reason }) => ({
        ...reason,
        readings: indices,
        ...(release ? { release: release.text } : {})
      }))
    }))
  }
}

/** An estimate with its faults in words, readings by their places. */
export function estimated(job: JobFile) {
  const { faults, readings, ...others } = estimate(job)
  const placeOf = (id: string) => job.readings.findIndex((reading) => reading.id === id)
  return {
    ...others,
    readings: readings.map((reading) => ({ ...reading, index: placeOf(reading.id) })),
    faults: faults.map((fault) => ({ ...fault, index: placeOf(fault.id), message: sayLeftOut(fault) }))
  }
}

/** What faults say, each with its place. */
export function faultWords<T extends { faults: readonly (Message & { place: string })[] }>({ faults }: T) {
  return faults.map((fault) => ({ place: fault.place, message: sayFault(fault) }))
}

export function titleOf(sheet: DriveSheet, { kind, part, reads }: Inspection): string {
  return inspectionWords({ kind, part, links: reads[0]?.links ?? 0 }, namesOf(sheet))
}

export function evidenceWords(sheet: DriveSheet, message: Message): string {
  return sayEvidence(message, namesOf(sheet))
}
