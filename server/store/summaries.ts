import type { JobState } from '../../core/record'
import { type JobSummary, summarise } from '../../core/views/summary'
import type { Usage } from '../../core/readings'
import { inTransaction, useDb } from '../db/connection'
import { JobRow } from '../db/models'
import { countActs, tell } from '../db/queries/acts'
import { staleJobs } from '../db/queries/jobs'
import { summaryColumns } from '../db/rows'
import { heavily } from '../heavy/heavily'
import { ACTS_CHANNEL, onHappened } from '../live/listen'
import { log } from '../utils/log'
import { findJob } from './jobs'

/**
 * A job as lists show it. `trouble` says that its summary cannot be made; what stands beside is then the last that
 * could, or nothing.
 */
export interface ListedJob extends JobSummary {
  id: string
  vehicle: string
  vehicleId: string | null
  stand: string
  complaint: string
  usage: Usage
  state: JobState
  openedAt: string
  trouble: boolean
}

/** Columns a list needs; a job's sheet is large and stays where it is. */
export const LISTED = [
  'id',
  'vehicle',
  'vehicleId',
  'stand',
  'complaint',
  'usage',
  'state',
  'openedAt',
  'openedBy',
  'summary',
  'summaryError'
] as const

export function listedJob({
  id,
  vehicle,
  vehicleId,
  stand,
  complaint,
  usage,
  state,
  openedAt,
  openedBy,
  summary,
  summaryError
}: JobRow): ListedJob {
  const at = openedAt.toISOString()
  return {
    ...(summary ?? emptySummary(openedBy, at)),
    id,
    vehicle,
    vehicleId,
    stand,
    complaint,
    usage: summary?.usage ?? usage,
    state,
    openedAt: at,
    trouble: summaryError !== null
  }
}

/** What is said of a job of which nothing could be computed yet. */
export function emptySummary(lastBy: string, lastAt: string): JobSummary {
  return {
    sheet: { id: '', name: '' },
    readings: 0,
    elongation: { name: '', mean: 0, sd: 0, low: 0, high: 0, overLimit: null, limit: null },
    calls: [],
    next: null,
    waits: null,
    check: null,
    measures: [],
    calibration: [],
    renewed: [],
    partCalls: {},
    lastAt,
    lastBy
  }
}

/** What a job's acts sum up to, and up to where. */
interface SummedUp {
  summary: JobSummary
  acts: number
  /** Place of the last of them; 0 without any. */
  last: number
}

/** A job summed up as it stands. @throws Problem not-found */
export async function sumUp(id: string): Promise<SummedUp> {
  const { job, acts } = await findJob(id)
  const summary = summarise(
    job,
    acts.map(({ act }) => act)
  )
  return { summary, acts: acts.length, last: acts.at(-1)?.seq ?? 0 }
}

/**
 * Makes a job's summary anew. It is computed from what is read first, off the server's own thread; then, while the job
 * stands still for a moment, it is kept where nothing came meanwhile. The lock makes acts that are being kept finish
 * first: none is missed.
 * @param lane `asked` where somebody waits for it
 * @returns whether it was kept
 */
export async function refreshSummary(id: string, lane: 'asked' | 'behind'): Promise<boolean> {
  const { summary, acts, last } = await heavily(lane, 'sumUp', id)
  return inTransaction(async (transaction) => {
    const row = await JobRow.findByPk(id, { transaction, lock: true, attributes: ['id', 'vehicle'] })
    const now = await countActs(id, transaction)
    if (!row || now.acts !== acts || now.last !== last) return false
    await row.update({ ...summaryColumns(summary), summaryError: null }, { transaction })
    await tell(ACTS_CHANNEL, summaryOf(id), transaction)
    return true
  })
}

/** A job's summary was made anew, as the channel tells it. */
const summaryOf = (id: string) => `${id} -`

/**
 * Why a summary could not be made stands with its job, and no list waits for it any more; the next act has it tried
 * again.
 */
async function markTrouble(id: string, error: unknown): Promise<void> {
  log.error({ err: error, job: id }, 'a summary could not be made')
  await JobRow.update(
    { stale: false, summaryError: String((error as Error | null)?.message ?? error).slice(0, 500) },
    { where: { id } }
  )
  await tell(ACTS_CHANNEL, summaryOf(id))
}

/** Jobs looked for in the queue at once. */
const AT_ONCE = 20
/** Before every job's. */
const NO_ID = '00000000-0000-0000-0000-000000000000'

/**
 * Makes the summaries anew that acts have made stale, each job once; one that cannot be made hurts no other, and one
 * that acts keep coming to is left for the next round.
 */
export async function refreshStale(): Promise<void> {
  await useDb()
  let after = NO_ID
  for (;;) {
    const due = await staleJobs(AT_ONCE, after)
    if (due.length === 0) return
    for (const id of due) await refreshSummary(id, 'behind').catch((error: unknown) => markTrouble(id, error))
    after = due.at(-1)!
  }
}

const ROUND_MS = 5_000

/**
 * ms between rounds at the least and at the most, and how many times as long as the round took: saving goes before
 * summing up.
 */
const REST = { least: 200, most: 5_000, share: 4 }

function rest(took: number): Promise<void> {
  return new Promise((done) => setTimeout(done, Math.min(REST.most, Math.max(REST.least, REST.share * took))).unref())
}

/** Keeps summaries up to date from now on: as acts come, and in case one was missed every few seconds. */
export function keepSummaries(): void {
  let running = false
  let again = false
  const round = async () => {
    again = true
    if (running) return
    running = true
    try {
      while (again) {
        again = false
        const started = performance.now()
        await refreshStale()
        await rest(performance.now() - started)
      }
    } catch (error) {
      log.warn({ err: error }, 'summaries wait')
    } finally {
      running = false
    }
  }
  onHappened((happened) => {
    if (happened === null || happened.place !== null) void round()
  })
  setInterval(() => void round(), ROUND_MS).unref()
  void round()
}
