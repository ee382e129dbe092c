import { assessRecord } from '../../core/job/assessRecord'
import type { Assessment } from '../../core/assess'
import type { Call } from '../../core/calls/types'
import { SEVERITY } from '../../core/calls/types'
import type { Usage } from '../../core/job/types'
import type { ElongationEstimate } from '../../core/estimate/types'
import type { LimitValue } from '../../core/sheet/types'
import { foldActs } from '../../core/job/acts'
import { limitFor } from '../../core/sheet/limits'
import { partName } from '../../core/wording'
import { JOBS_A_PAGE, listJobs, type JobsAsked } from './jobs'

/** A job as the board shows it. */
export interface BoardRow {
  id: string
  vehicle: string
  stand: string
  engine: string
  complaint: string
  usage: Usage
  readings: number
  /** The most stretched chain: fractions, the limit in per cent. */
  elongation: ElongationEstimate & { name: string; limit: LimitValue | null }
  /** How many parts have each call, the severest first. */
  calls: { call: Call; parts: number }[]
  /** The reading that would tell most, as kind and target's name. */
  next: { kind: string; part: string } | null
  lastAt: string
  lastBy: string
}

/** A page of the board. */
export interface BoardPage {
  rows: BoardRow[]
  total: number
  pages: number
}

/** Jobs as the board shows them, those with a hold first. */
export async function boardPage(asked: JobsAsked): Promise<BoardPage> {
  const { jobs, total } = await listJobs(asked)
  const rows = jobs.map(rowOf)
  const held = (row: BoardRow) => row.calls.some(({ call }) => call === 'stop')
  return { rows: [...rows.filter(held), ...rows.filter((row) => !held(row))], total, pages: Math.max(1, Math.ceil(total / JOBS_A_PAGE)) }
}

function rowOf({ id, job, acts: kept }: Awaited<ReturnType<typeof listJobs>>['jobs'][number]): BoardRow {
  const acts = kept.map(({ act }) => act)
  const assessment = assessRecord(job, acts)
  const last = acts.at(-1)
  const [next] = assessment.next
  return {
    id, vehicle: job.vehicle, stand: job.stand, engine: job.sheet.name, complaint: job.complaint, usage: job.usage,
    readings: foldActs(acts, job.school).readings.length,
    elongation: longest(job.sheet, assessment),
    calls: SEVERITY.toReversed().map((call) => ({ call, parts: assessment.calls.filter((c) => c.call === call).length })).filter(({ parts: n }) => n > 0),
    next: next ? { kind: next.kind, part: partName(job.sheet, next.target) } : null,
    lastAt: last?.at ?? job.openedAt, lastBy: last?.by ?? job.openedBy
  }
}

function longest(sheet: Parameters<typeof limitFor>[0], { chains }: Assessment): BoardRow['elongation'] {
  const [id, { elongation }] = Object.entries(chains).reduce((a, b) => (b[1].elongation.mean > a[1].elongation.mean ? b : a))
  return { ...elongation, name: sheet.chains.find((c) => c.id === id)!.name, limit: limitFor(sheet, 'elongation', id) }
}
