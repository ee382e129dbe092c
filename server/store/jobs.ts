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

/** Lets go of all jobs that are remembered. */
export const forgetOpened = (): void => opened.clear()

/** A job with its acts and what they mean, as JSON: what a page opens it with. @throws Problem not-found */
export async function openedJob(id: string): Promise<string> {
  await useDb()
  const now = isUuid(id) ? await readMark(id) : null
  if (!now) throw noJob()
  const known = opened.get(id)
  if (known?.mark === now.mark) return known.text
  const text = now.acts <= QUICK ? await openedText(id) : await openedLong(id)
  opened.set(id, { mark: now.mark, text })
  return text
}

/** A long job is judged once for all who wait for it. */
const openedLong = shared((id: string) => heavily('asked', 'openedText', id))

/** A job that cannot be assessed is opened all the same, with what was done on it. */
export async function openedText(id: string): Promise<string> {
  const { job, acts } = await findJob(id)
  return JSON.stringify({
    id,
    job,
    acts,
    assessment: assessRecord(
      job,
      acts.map(({ act }) => act)
    )
  })
}

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
