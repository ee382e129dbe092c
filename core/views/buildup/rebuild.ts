import type { Assessment } from '../../paths'
import { type Act, foldActs, heldCalls, jobFile, type JobRecord, type KeptJob } from '../../record'
import type { JobFile, KnownReading } from '../../readings'
import { type ExpectedReading, expectedRebuilt } from './expected'
import { type Hold, holdsOf } from './holds'
import { buildPlan, type BuildPlan } from './plan'
import { type Check, twoTurns } from './twoTurns'

/** Where a rebuild stands. */
export interface Rebuild {
  /** Components renewed: as the customer chose, else as advised, else as the calls hold. */
  renew: readonly string[]
  chosenBy: 'customer' | 'workshop' | 'calls'
  way: string | null
  plan: BuildPlan
  expected: ExpectedReading[]
  /** Bolt holes as they were put on the covers' pictures. */
  holes: JobRecord['holes']
  checks: Check[]
  holds: Hold[]
  /** Is nothing left that holds it? */
  ready: boolean
}

/** Task under which the way in is kept. */
export const WAY_TASK = 'way-in'

/** A job's rebuild as its acts have it. */
export function rebuildOf(job: KeptJob, acts: readonly Act[], before: Assessment): Rebuild {
  const record = foldActs(acts, job.school)
  const file = jobFile(job, acts)
  const { renew, chosenBy } = chosen(record, before)
  const way = record.tasks.get(WAY_TASK)?.note ?? null
  const plan = buildPlan(file.drive, renew, way)
  const expected = expectedRebuilt(file.drive, before, renew, file.corrections)
  const checks = twoTurns(file.drive, expected, record.rebuilt)
  const holds = holdsOf(file.drive, record, before, plan, checks)
  return {
    renew,
    chosenBy,
    way,
    plan,
    expected,
    holes: record.holes,
    checks,
    holds,
    ready: holds.every(({ released }) => released)
  }
}

function chosen(record: JobRecord, before: Assessment): Pick<Rebuild, 'renew' | 'chosenBy'> {
  if (record.choice) return { renew: record.choice.renew, chosenBy: 'customer' }
  if (record.path) return { renew: record.path.renew, chosenBy: 'workshop' }
  const renewed = heldCalls(before.calls, record.overrules).filter(
    ({ holds, reasons }) => holds === 'renew' || (holds === 'stop' && reasons.some(({ call }) => call === 'renew'))
  )
  return { renew: renewed.map(({ part }) => part), chosenBy: 'calls' }
}

/**
 * The rebuilt drive as a job of its own, out of what was read on it after it was turned and when it ran; its renewed
 * parts were fitted now.
 */
export function closingJob(file: JobFile, { rebuilt }: JobRecord, renew: readonly string[]): JobFile {
  const { history: _history, readings: _readings, ...others } = file
  const readings = rebuilt
    .filter(({ round }) => round !== 'set')
    .map(({ id, reading }): KnownReading => ({ ...reading, id }))
  return {
    ...others,
    readings,
    fitted: { ...file.fitted, ...Object.fromEntries(renew.map((id) => [id, file.usage.value])) }
  }
}
