import { assess, type Assessment, overlaid, type Pricing } from '../paths'
import { type Act, foldActs, type JobRecord, sheetOf } from './acts'
import type { EarlierKnown, JobFile, Usage } from '../readings'
import type { KeptJob } from './types'

/** The job file that a job's acts come to: what the core assesses. */
export function jobFile(
  { sheet, usage, school, corrections, known }: Pick<KeptJob, 'sheet' | 'usage' | 'school' | 'corrections' | 'known'>,
  acts: readonly Act[]
): JobFile {
  const record = foldActs(acts, school)
  const corrected = record.corrections ?? corrections
  return {
    format: 'umbrette-job',
    version: 1,
    drive: sheetOf(sheet, record),
    usage: usageOf(usage, record),
    school: record.school,
    ...(corrected ? { corrections: corrected } : {}),
    ...known,
    ...fittedBy(record, known),
    ...pricedBy(record, known),
    readings: record.readings
  }
}

/** What stood on the clock: as the job was opened, unless it was put right since. */
export function usageOf(opened: Usage, { usage }: Pick<JobRecord, 'usage'>): Usage {
  return usage === null || usage === opened.value ? opened : { ...opened, value: usage }
}

/** When parts were fitted, as far as this job says, on top of what it came with. */
function fittedBy({ parts }: JobRecord, known: KeptJob['known']): { fitted?: EarlierKnown['fitted'] } {
  const said = [...parts].flatMap(([part, { fittedAt }]) => (fittedAt === undefined ? [] : [[part, fittedAt] as const]))
  return said.length > 0 ? { fitted: { ...known?.fitted, ...Object.fromEntries(said) } } : {}
}

/** What the job is priced with: what was said on it, over what the shop held when it was opened. */
function pricedBy({ pricing }: JobRecord, known: KeptJob['known']): { pricing?: Pricing } {
  return pricing || known?.pricing ? { pricing: overlaid(known?.pricing, pricing) } : {}
}

/** What a job's acts mean. Readings in the assessment are numbered as in jobFile. */
export function assessRecord(job: KeptJob, acts: readonly Act[]): Assessment {
  return assess(jobFile(job, acts))
}
