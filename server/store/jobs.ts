import { Op, QueryTypes, UniqueConstraintError, type Transaction } from 'sequelize'
import { entryFaults } from '../../core/job/actFaults'
import { foldActs, sheetInForce, type Act, type ActOf } from '../../core/job/acts'
import { assessRecord } from '../../core/job/assessRecord'
import type { KeptJob } from '../../core/job/types'
import type { DriveSheet } from '../../core/sheet/types'
import { CORE_VERSION } from '../../core/version'
import { useDb } from '../db/connection'
import { ActRow, JobRow, PhotoRow } from '../db/models'
import { createJob } from '../db/rows'
import { ACTS_CHANNEL } from '../live/listen'
import { remembering } from '../utils/remembering'
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

const noJob = () => new Problem('not-found', 'There is no such job in this workshop. Go back to the board and open it from there.')

/** A job and all acts on it, in order. @throws Problem not-found */
export async function findJob(id: string): Promise<{ id: string; job: KeptJob; acts: KeptAct[] }> {
  await useDb()
  const row = isUuid(id) ? await JobRow.findByPk(id) : null
  if (!row) throw noJob()
  const acts = await ActRow.findAll({ where: { jobId: id }, order: [['seq', 'ASC']] })
  return { id, job: keptJob(row), acts: acts.map(keptAct) }
}

/** Jobs as they were opened last, each as the text that is sent; good as long as no act came and its vehicle has the same name. */
const opened = remembering<{ mark: string; text: string }>(60)

/** A job with its acts and what they mean, as JSON: what a page opens it with. @throws Problem not-found */
export async function openedJob(id: string): Promise<string> {
  const db = await useDb()
  const [now] = isUuid(id) ? await db.query<{ mark: string }>("select concat_ws(' ', max(a.seq), count(a.seq), j.vehicle_id, j.vehicle) as mark from jobs j left join acts a on a.job_id = j.id where j.id = :id group by j.id", { replacements: { id }, type: QueryTypes.SELECT }) : []
  if (!now) throw noJob()
  const known = opened.get(id)
  if (known?.mark === now.mark) return known.text
  const { job, acts } = await findJob(id)
  const text = JSON.stringify({ id, job, acts, assessment: assessRecord(job, acts.map(({ act }) => act)) })
  opened.set(id, { mark: now.mark, text })
  return text
}

/** A picture ready to be kept. */
export interface NewPhoto {
  id: string
  width: number
  height: number
  body: Buffer
  thumb: Buffer
}

/** Keeps a new job with the acts and photos it comes with, all or nothing. */
export async function insertJob(id: string, job: KeptJob, acts: readonly Act[], photos: readonly NewPhoto[] = []): Promise<void> {
  const db = await useDb()
  await db.transaction(async (transaction) => {
    await createJob(id, job, acts, { demo: false, transaction })
    if (photos.length > 0) await PhotoRow.bulkCreate(photos.map(({ id: photo, width, height, body, thumb }) => ({ id: photo, jobId: id, width, height, body, thumb })), { transaction })
  })
}

/** Sheets that jobs stand under, so that an act can be checked without reading them again. */
const sheets = remembering<{ opened: DriveSheet; inForce: DriveSheet; moves: number }>(100)

/**
 * Adds one act to a job. The same act again changes nothing and answers as the first time did.
 * @throws Problem not-found, bad-input with each fault, conflict when the id stands for another act
 */
export async function addAct(jobId: string, value: unknown): Promise<KeptAct> {
  await useDb()
  if (!isUuid(jobId)) throw noJob()
  const { type, supersedes } = (value ?? {}) as { type?: unknown; supersedes?: unknown }
  // What can change a job's state or sheet must see every act before it; anything else needs only what it names.
  if (type === 'state' || type === 'undo' || type === 'sheet' || type === 'signoff') return addWeighty(jobId, value)
  const sheet = sheets.get(jobId) ?? (await rememberSheet(jobId))
  const before = await named(jobId, supersedes)
  const faults = entryFaults(sheet.inForce, before, value, sheet.opened)
  if (faults.length > 0) return refusedOrKnown(jobId, value, faults)
  const act = value as Act
  if (act.type === 'photo') await checkPhoto(jobId, act.photo)
  const seq = await putAct(jobId, act, sheet.moves)
  if (seq !== null) return { seq, act }
  const known = await ActRow.findOne({ where: { jobId, id: act.id } })
  if (known) return sameAct(keptAct(known), value)
  // The sheet changed under it: look again.
  sheets.forget(jobId)
  return addAct(jobId, value)
}

async function rememberSheet(jobId: string) {
  const row = await JobRow.findByPk(jobId)
  if (!row) throw noJob()
  const acts = row.sheetMoves === 0 ? [] : await ActRow.findAll({ where: { jobId }, order: [['seq', 'ASC']] })
  const sheet = { opened: row.sheet, inForce: sheetInForce(row.sheet, acts.map(({ body }) => body)), moves: row.sheetMoves }
  sheets.set(jobId, sheet)
  return sheet
}

/** The act that a correction names. */
async function named(jobId: string, id: unknown): Promise<ReadonlyMap<string, Act>> {
  const row = typeof id === 'string' ? await ActRow.findOne({ where: { jobId, id } }) : null
  return new Map(row ? [[row.id, row.body]] : [])
}

/** A repeat of what was kept is answered as before, even where it could not be entered now. */
async function refusedOrKnown(jobId: string, value: unknown, faults: ReturnType<typeof entryFaults>): Promise<KeptAct> {
  const { id } = (value ?? {}) as { id?: unknown }
  const known = typeof id === 'string' ? await ActRow.findOne({ where: { jobId, id } }) : null
  if (known) return sameAct(keptAct(known), value)
  throw new Problem('bad-input', faults[0]!.message, faults)
}

async function checkPhoto(jobId: string, photo: string): Promise<void> {
  if (isUuid(photo) && (await PhotoRow.count({ where: { id: photo, jobId } }))) return
  throw new Problem('bad-input', 'The picture of this entry was not kept: take it again.', [{ place: 'photo', message: 'is no photo of this job' }])
}

/**
 * Keeps an act, marks its job's summary stale and tells every server: all or nothing, in one round trip.
 * @returns its place; null where nothing was kept, as the id is taken or the sheet changed
 */
async function putAct(jobId: string, act: Act, moves: number, transaction?: Transaction): Promise<number | null> {
  const db = await useDb()
  const [kept] = await db.query<{ place: string | null }>('select keep_act($1, $2, $3, $4, $5) as place', {
    bind: [jobId, moves, act.id, JSON.stringify(act), ACTS_CHANNEL], type: QueryTypes.SELECT, ...(transaction ? { transaction } : {})
  })
  return kept?.place ? Number(kept.place) : null
}

/** Adds an act that takes back, moves the job to another list or to another sheet, while nothing else changes the job. */
async function addWeighty(jobId: string, value: unknown): Promise<KeptAct> {
  const db = await useDb()
  try {
    return await db.transaction(async (transaction) => {
      const job = await JobRow.findByPk(jobId, { transaction, lock: true })
      if (!job) throw noJob()
      const rows = await ActRow.findAll({ where: { jobId }, order: [['seq', 'ASC']], transaction })
      const known = rows.find(({ id }) => id === (value as { id?: unknown } | null)?.id)
      if (known) return sameAct(keptAct(known), value)
      const before = rows.map(({ body }) => body)
      const sheet = sheetInForce(job.sheet, before)
      const faults = entryFaults(sheet, new Map(before.map((act) => [act.id, act])), value, job.sheet)
      if (faults.length > 0) throw new Problem('bad-input', faults[0]!.message, faults)
      const act = value as Act
      if (act.type === 'signoff') checkSignoff(keptJob(job), before, act)
      const seq = await putAct(jobId, act, job.sheetMoves, transaction)
      if (seq === null) throw new UniqueConstraintError({ message: 'act' })
      const { state, moved } = foldActs([...before, act], job.school)
      const moves = job.sheetMoves + ((moved?.sheet ?? job.sheet) === sheet ? 0 : 1)
      await job.update({ state, sheetMoves: moves }, { transaction })
      return { seq, act }
    })
  } finally {
    sheets.forget(jobId)
  }
}

/** A verdict is signed as it stands: what someone else did since it was looked at must be looked at first. */
function checkSignoff(job: KeptJob, before: readonly Act[], act: ActOf<'signoff'>): void {
  const { signoffs } = foldActs(before, job.school)
  const same = JSON.stringify(assessRecord(job, before)) === JSON.stringify(act.assessment) && act.core === CORE_VERSION && act.revision === signoffs.length + 1
  if (!same) throw new Problem('conflict', 'The job changed before the sign-off reached it. Look at the verdict as it stands now, and sign that.')
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

/** A job as it was opened, out of its row. */
export function keptJob(row: JobRow): KeptJob {
  const { vehicle, stand, complaint, school, usage, corrections, known, sheet, sheetRevision, vehicleId, openedBy } = row
  return { vehicle, stand, complaint, school, usage, corrections, known, sheet, sheetRevision, vehicleId, openedBy, openedAt: row.openedAt.toISOString() }
}

