import { told } from '../../words/problems'
import { LRUCache } from 'lru-cache'
import type { Transaction } from 'sequelize'
import { isUuid } from '../../core/check'
import { type Act, assessRecord, foldActs, type KeptJob } from '../../core/record'
import { inTransaction, useDb } from '../db/connection'
import { ActRow, JobRow } from '../db/models'
import { readMark } from '../db/queries/jobs'
import { createJob } from '../db/rows'
import { heavily } from '../heavy/heavily'
import { shared } from '../utils/inBatches'
import { Problem } from '../utils/problem'

/** An act as it was kept, with its place in the workshop's order. */
export interface KeptAct {
  seq: number
  act: Act
}

export const noJob = () => new Problem('not-found', told('no-such-job'))

/** A job and all acts on it, in order. @throws Problem not-found */
export async function findJob(id: string): Promise<{ id: string; job: KeptJob; acts: KeptAct[] }> {
  await useDb()
  const row = isUuid(id) ? await JobRow.findByPk(id) : null
  if (!row) throw noJob()
  const acts = await actsOf(id)
  return { id, job: keptJob(row), acts }
}

/** The acts on a job, in order. */
export async function actsOf(jobId: string, transaction?: Transaction): Promise<KeptAct[]> {
  const rows = await ActRow.findAll({
    where: { jobId },
    attributes: ['seq', 'body'],
    order: [['seq', 'ASC']],
    raw: true,
    ...(transaction ? { transaction } : {})
  })
  return rows.map(keptAct)
}

/** Acts up to which a job is worked on where it is asked for; more take long enough to be noticed by others. */
export const QUICK = 150

/** Bytes of opened jobs that are remembered. */
const REMEMBERED = 48 * 1024 * 1024

/** Jobs as they were opened last, each as the text that is sent; good as long as nothing came to them. */
const opened = new LRUCache<string, { mark: string; text: string }>({
  maxSize: REMEMBERED,
  sizeCalculation: ({ text }) => 2 * text.length + 200
})

/** What a long job was found to be, and up to where. */
interface Judged {
  /** How many of its acts were judged. */
  acts: number
  /** Id of the last of them. */
  last: string
  /** Id of the act that moved it to the drive it was judged on; null for the one it was opened with. */
  moved: string | null
  /** As JSON. */
  assessment: string
}

/** A long job as it was judged. */
export interface JudgedJob {
  judged: Judged
  /** The job with these acts, as JSON. */
  text: string
}

interface RememberedJob extends Judged {
  generation: string
}

/** What long jobs were found to be last. */
const judged = new LRUCache<string, RememberedJob>({
  maxSize: REMEMBERED / 2,
  sizeCalculation: ({ assessment }) => 2 * assessment.length + 300
})

/** Lets go of all jobs that are remembered. */
export const forgetOpened = (): void => {
  opened.clear()
  judged.clear()
}

/**
 * A job with its acts and what they mean, as JSON: what a page opens it with. A long one comes with what it was found
 * to be last, and how many acts came since (`behind`): whoever opens it judges those. @throws Problem not-found
 */
export async function openedJob(id: string): Promise<string> {
  await useDb()
  const now = isUuid(id) ? await readMark(id) : null
  if (!now) throw noJob()
  const remembered = opened.get(id)
  if (remembered?.mark === now.mark) return remembered.text
  // Looked up before the acts are read: what was judged is then never ahead of them.
  const known = judged.get(id)
  const { job, acts } = await findJob(id)
  if (acts.length > QUICK) return openedLong({ id, job, acts }, now.generation, known)
  const text = JSON.stringify({ id, job, acts, assessment: assessRecord(job, wordsOf(acts)) })
  opened.set(id, { mark: now.mark, text })
  return text
}

async function openedLong(
  { id, job, acts }: { id: string; job: KeptJob; acts: readonly KeptAct[] },
  generation: string,
  known: RememberedJob | undefined
): Promise<string> {
  if (known?.generation !== generation || !stillHolds(known, job, acts)) {
    const anew = await judgeAnew('asked', id, generation)
    return withAssessment(anew.text, anew.judged)
  }
  const behind = acts.length - known.acts
  // Nobody waits for it: a thread that is too busy leaves it to the next who opens the job.
  if (behind > 0) void judgeAnew('behind', id, generation).catch(() => undefined)
  return withAssessment(JSON.stringify({ id, job, acts, behind }), known)
}

/** Was this job judged, as far as it had come, and on the drive it has now? */
function stillHolds({ acts: upTo, last, moved }: Judged, job: KeptJob, acts: readonly KeptAct[]): boolean {
  return acts[upTo - 1]?.act.id === last && movedBy(job, wordsOf(acts)) === moved
}

const movedBy = (job: KeptJob, acts: readonly Act[]) => foldActs(acts, job.school).moved?.id ?? null

const withAssessment = (text: string, { assessment }: Judged) => `${text.slice(0, -1)},"assessment":${assessment}}`

async function judgeAnew(lane: 'asked' | 'behind', id: string, generation: string): Promise<JudgedJob> {
  const found = await judgedIn[lane](id)
  judged.set(id, { ...found.judged, generation })
  return found
}

/** A long job is judged once for all who wait for it. */
const judgedIn = {
  asked: shared((id: string) => heavily('asked', 'judgeJob', id)),
  behind: shared((id: string) => heavily('behind', 'judgeJob', id))
}

/** What a job is found to be as it stands. @throws Problem not-found */
export async function judgeJob(id: string): Promise<JudgedJob> {
  const { job, acts } = await findJob(id)
  const words = wordsOf(acts)
  const assessment = JSON.stringify(assessRecord(job, words))
  return {
    judged: { acts: acts.length, last: words.at(-1)?.id ?? '', moved: movedBy(job, words), assessment },
    text: JSON.stringify({ id, job, acts, behind: 0 })
  }
}

const wordsOf = (acts: readonly KeptAct[]): Act[] => acts.map(({ act }) => act)

/** A picture ready to be kept. */
export interface NewPhoto {
  id: string
  width: number
  height: number
  body: Buffer
  thumb: Buffer
}

/** Keeps a new job with the acts it comes with, all or nothing. */
export async function insertJob(id: string, job: KeptJob, acts: readonly Act[]): Promise<void> {
  await inTransaction((transaction) => createJob(id, job, acts, { demo: false, transaction }))
}

/** An act out of its row. */
export function keptAct(row: Pick<ActRow, 'seq' | 'body'>): KeptAct {
  return { seq: Number(row.seq), act: row.body }
}

/** A job as it was opened, out of its row. */
export function keptJob(row: JobRow): KeptJob {
  const { vehicle, stand, complaint, school, usage, corrections, known, sheet, sheetRevision, vehicleId, openedBy } =
    row
  return {
    vehicle,
    stand,
    complaint,
    school,
    usage,
    corrections,
    known,
    sheet,
    sheetRevision,
    vehicleId,
    openedBy,
    openedAt: row.openedAt.toISOString()
  }
}
