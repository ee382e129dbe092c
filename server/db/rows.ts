import { Op, type Transaction } from 'sequelize'
import { type Act, foldActs, type KeptJob } from '../../core/record'
import { type JobSummary, summarise } from '../../core/views/summary'
import { CORE_VERSION } from '../../core/paths'
import { ActRow, JobRow } from './models'
import { vehicleNamed } from './queries/vehicles'

/**
 * Writes a job, the acts it comes with and its summary, within a transaction: all or nothing, and no list ever meets a
 * job without its summary. Its vehicle is the known one of that name, or a new one.
 */
export async function createJob(
  id: string,
  job: KeptJob,
  acts: readonly Act[],
  { demo, transaction, kept }: { demo: boolean; transaction: Transaction; kept?: KeptBeside }
): Promise<void> {
  const vehicleId = job.vehicleId ?? (await vehicleNamed(job.vehicle.trim(), transaction))
  const sheetMoves = acts.some(({ type }) => type === 'sheet') ? 1 : 0
  await JobRow.create(
    {
      id,
      demo,
      ...job,
      vehicleId,
      sheetMoves,
      ...(kept ? { stale: true, customerId: kept.customer } : firstSummary(job, acts)),
      state: foldActs(acts, job.school).state,
      openedAt: new Date(job.openedAt)
    },
    { transaction }
  )
  for (let i = 0; i < acts.length; i += AT_ONCE)
    await ActRow.bulkCreate(
      acts.slice(i, i + AT_ONCE).map((act) => ({ jobId: id, id: act.id, body: act, ...kept?.beside.get(act.id) })),
      { transaction, returning: false }
    )
}

/** What a whole workshop brings of a job beside its file; its summary is made when there is time. */
export interface KeptBeside {
  customer: string | null
  beside: ReadonlyMap<string, { personId: number | null; receivedAt: Date }>
}

/** Acts written in one statement. */
const AT_ONCE = 1000

/** A job whose summary cannot be made is kept all the same, and says so on its row. */
function firstSummary(job: KeptJob, acts: readonly Act[]) {
  try {
    return summaryColumns(summarise(job, acts))
  } catch (error) {
    return { stale: false, summaryError: String((error as Error | null)?.message ?? error).slice(0, 500) }
  }
}

/** A summary, made just now, as a job's row keeps it. */
export function summaryColumns(summary: JobSummary) {
  return { summary, summaryCore: CORE_VERSION, stale: false, held: summary.calls.some(({ call }) => call === 'stop') }
}

/** Summaries made by another version of the computation are stale. */
export async function outdateSummaries(transaction: Transaction): Promise<void> {
  await JobRow.update({ stale: true }, { where: { stale: false, summaryCore: { [Op.ne]: CORE_VERSION } }, transaction })
}
