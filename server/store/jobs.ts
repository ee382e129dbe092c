import { literal, Op, UniqueConstraintError, where, type Transaction } from 'sequelize'
import { entryFaults, foldActs, type Act, type JobState } from '../../core/job/acts'
import type { KeptJob } from '../../core/job/types'
import { useDb } from '../db/connection'
import { ActRow, JobRow, PhotoRow } from '../db/models'
import { createJob } from '../db/rows'
import { ACTS_CHANNEL } from '../live/listen'
import { Problem } from '../utils/problem'

/** An act as it was kept, with its place in the workshop's order. */
export interface KeptAct {
  seq: number
  act: Act
}

/** Is a text shaped like the ids that jobs and photos have? */
export function isUuid(text: string): boolean {
  return UUID.test(text)
}

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/

/** A job and all acts on it, in order. @throws Problem not-found */
export async function findJob(id: string): Promise<{ id: string; job: KeptJob; acts: KeptAct[] }> {
  await useDb()
  const row = isUuid(id) ? await JobRow.findByPk(id) : null
  if (!row) throw new Problem('not-found', 'There is no such job in this workshop. Go back to the board and open it from there.')
  const acts = await ActRow.findAll({ where: { jobId: id }, order: [['seq', 'ASC']] })
  return { id, job: keptJob(row), acts: acts.map(keptAct) }
}

/** Which jobs of a workshop. */
export interface JobsAsked {
  state: JobState
  /** Words to be found in vehicle, stand, complaint or engine; empty for all. */
  search: string
  /** From 0. */
  page: number
}

/** Jobs on a page of a list. */
export const JOBS_A_PAGE = 40

/** A page of jobs with their acts, the newest first, and how many there are in all. */
export async function listJobs({ state, search, page }: JobsAsked): Promise<{ total: number; jobs: { id: string; job: KeptJob; acts: KeptAct[] }[] }> {
  await useDb()
  const words = search.trim().split(/\s+/).filter(Boolean).slice(0, 8)
  const asked = { state, ...(words.length > 0 ? { [Op.and]: words.map(contains) } : {}) }
  const { rows, count } = await JobRow.findAndCountAll({ where: asked, order: [['openedAt', 'DESC'], ['id', 'ASC']], limit: JOBS_A_PAGE, offset: page * JOBS_A_PAGE })
  const acts = await ActRow.findAll({ where: { jobId: rows.map(({ id }) => id) }, order: [['seq', 'ASC']] })
  const byJob = new Map<string, ActRow[]>()
  for (const act of acts) byJob.set(act.jobId, [...(byJob.get(act.jobId) ?? []), act])
  return { total: count, jobs: rows.map((row) => ({ id: row.id, job: keptJob(row), acts: (byJob.get(row.id) ?? []).map(keptAct) })) }
}

/** A word anywhere in what a job is known by; what SQL would read as a pattern is taken as it stands. */
function contains(word: string) {
  const like = { [Op.iLike]: `%${word.replaceAll(/[\\%_]/g, '\\$&')}%` }
  return { [Op.or]: [{ vehicle: like }, { stand: like }, { complaint: like }, where(literal('sheet->>\'name\''), like)] }
}

/** Keeps a new job with the acts it comes with, all or nothing. */
export async function insertJob(id: string, job: KeptJob, acts: readonly Act[]): Promise<void> {
  const db = await useDb()
  await db.transaction((transaction) => createJob(id, job, acts, { demo: false, transaction }))
}

/**
 * Adds one act to a job. The same act again changes nothing and answers as the first time did.
 * @throws Problem not-found, bad-input with each fault, conflict when the id stands for another act
 */
export async function addAct(jobId: string, value: unknown): Promise<KeptAct> {
  const { job, acts } = await findJob(jobId)
  const known = acts.find(({ act }) => act.id === (value as { id?: unknown } | null)?.id)
  if (known) return sameAct(known, value)
  const faults = entryFaults(job.sheet, new Map(acts.map(({ act }) => [act.id, act])), value)
  if (faults.length > 0) throw new Problem('bad-input', faults[0]!.message, faults)
  const act = value as Act
  if (act.type === 'photo' && !(isUuid(act.photo) && (await PhotoRow.count({ where: { id: act.photo, jobId } })))) {
    throw new Problem('bad-input', 'The picture of this entry was not kept: take it again.', [{ place: 'photo', message: 'is no photo of this job' }])
  }
  try {
    return keptAct(await createAct(jobId, act))
  } catch (error) {
    if (!(error instanceof UniqueConstraintError)) throw error
    // The same act arrived twice at once; the other one was kept.
    return sameAct(keptAct((await ActRow.findOne({ where: { jobId, id: act.id }, rejectOnEmpty: true }))), value)
  }
}

/** Keeps an act and tells every server of the workshop, in one transaction: nobody hears of what was not kept. */
async function createAct(jobId: string, act: Act): Promise<ActRow> {
  const db = await useDb()
  return db.transaction(async (transaction) => {
    const row = await ActRow.create({ jobId, id: act.id, body: act }, { transaction })
    if (act.type === 'state' || act.type === 'undo') await followState(jobId, transaction)
    await db.query('select pg_notify(:channel, :jobId)', { replacements: { channel: ACTS_CHANNEL, jobId }, transaction })
    return row
  })
}

/** Brings a job's state to what its acts come to. */
async function followState(jobId: string, transaction: Transaction): Promise<void> {
  const job = await JobRow.findByPk(jobId, { transaction, lock: true, rejectOnEmpty: true })
  const acts = await ActRow.findAll({ where: { jobId }, order: [['seq', 'ASC']], transaction })
  await job.update({ state: foldActs(acts.map(({ body }) => body), job.school).state }, { transaction })
}

/** Places are given out before acts are committed: an act with a lower place may turn up this many places late. */
const LATE = 200

/** Acts on a job kept after a place in the workshop's order, with some before it that may have been committed since. */
export async function actsAfter(jobId: string, seq: number): Promise<KeptAct[]> {
  await useDb()
  const rows = await ActRow.findAll({ where: { jobId, seq: { [Op.gt]: seq - LATE } }, order: [['seq', 'ASC']] })
  return rows.map(keptAct)
}

function sameAct(known: KeptAct, value: unknown): KeptAct {
  if (JSON.stringify(known.act) === JSON.stringify(value)) return known
  throw new Problem('conflict', 'Another act has this id already. Reload the job and enter it again.')
}

function keptAct(row: ActRow): KeptAct {
  return { seq: Number(row.seq), act: row.body }
}

function keptJob(row: JobRow): KeptJob {
  const { vehicle, stand, complaint, school, usage, corrections, known, sheet, openedBy } = row
  return { vehicle, stand, complaint, school, usage, corrections, known, sheet, openedBy, openedAt: row.openedAt.toISOString() }
}
