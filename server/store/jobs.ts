import { told } from '../../words/problems'
import { LRUCache } from 'lru-cache'
import type { Transaction } from 'sequelize'
import { isUuid } from '../../core/check'
import { type Act, assessRecord, type KeptJob } from '../../core/record'
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

/** What a long job was found to be. */
export interface Judged {
  /** How many of its acts were judged. */
  acts: number
  /** As JSON. */
  assessment: string
}

/** What long jobs were found to be last, and on which drive. */
const judged = new LRUCache<string, Judged & { ground: string }>({
  maxSize: REMEMBERED / 2,
  sizeCalculation: ({ assessment }) => 2 * assessment.length + 200
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
  if (now.acts > QUICK) return openedLong(id, now.ground)
  const known = opened.get(id)
  if (known?.mark === now.mark) return known.text
  const { job, acts } = await findJob(id)
  const text = JSON.stringify({ id, job, acts, assessment: assessRecord(job, wordsOf(acts)) })
  opened.set(id, { mark: now.mark, text })
  return text
}

async function openedLong(id: string, ground: string): Promise<string> {
  const known = judged.get(id)
  const last = known?.ground === ground ? known : await judgeAnew('asked', id, ground)
  const { job, acts } = await findJob(id)
  const behind = Math.max(0, acts.length - last.acts)
  // Nobody waits for it: a thread that is too busy leaves it to the next who opens the job.
  if (behind > 0) void judgeAnew('behind', id, ground).catch(() => undefined)
  return `${JSON.stringify({ id, job, acts, behind }).slice(0, -1)},"assessment":${last.assessment}}`
}

async function judgeAnew(lane: 'asked' | 'behind', id: string, ground: string): Promise<Judged> {
  const found = await judgedIn[lane](id)
  judged.set(id, { ...found, ground })
  return found
}

/** A long job is judged once for all who wait for it. */
const judgedIn = {
  asked: shared((id: string) => heavily('asked', 'judgeJob', id)),
  behind: shared((id: string) => heavily('behind', 'judgeJob', id))
}

/** What a job is found to be as it stands. @throws Problem not-found */
export async function judgeJob(id: string): Promise<Judged> {
  const { job, acts } = await findJob(id)
  return { acts: acts.length, assessment: JSON.stringify(assessRecord(job, wordsOf(acts))) }
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
