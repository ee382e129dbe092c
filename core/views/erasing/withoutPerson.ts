import { type Act, jobFile, type KeptJob } from '../../record'
import type { JobFile } from '../../readings'

/**
 * What a job teaches of its type of engine and nothing of whose it was: its readings without notes, hands and days.
 */
export function withoutPerson(job: KeptJob, acts: readonly Act[]): JobFile {
  const { pricing: _pricing, ...file } = jobFile(job, acts)
  return {
    ...file,
    readings: file.readings.map(
      ({ by: _by, at: _at, note: _note, ...reading }) => reading as (typeof file.readings)[number]
    )
  }
}
