import { namesOf, sayHold, sayHoldRelease } from '../../words/en'
import { told } from '../../words/problems'
import { LRUCache } from 'lru-cache'
import { Op, UniqueConstraintError, type Transaction } from 'sequelize'
import { type Hold, rebuildOf } from '../../core/views/buildup'
import { type Fault, isSameJson, isWellFormed, schemaFaults, isUuid } from '../../core/check'
import {
  Folding,
  MOST,
  actFaults,
  assessRecord,
  entryFaults,
  foldActs,
  isActType,
  jobFile,
  roleFor,
  suffices,
  kindOf,
  sheetOf,
  type Act,
  type ActOf,
  type JobBefore,
  type KeptJob,
  type Role
} from '../../core/record'
import type { DriveSheet } from '../../core/sheet'
import { CORE_VERSION } from '../../core/paths'
import { checkName } from '../access/caller'
import { inTransaction, readGeneration, useDb } from '../db/connection'
import { codeOf } from '../db/errors'
import { ActRow, JobRow, PhotoRow } from '../db/models'
import { type ActToKeep, type CheckedUnder, countActs, keepAct, keepActs, type PersonId } from '../db/queries/acts'
import { heavily } from '../heavy/heavily'
import { ACTS_CHANNEL } from '../live/listen'
import { inBatches } from '../utils/inBatches'
import { Problem, badInput } from '../utils/problem'
import { actsOf, findJob, keptAct, keptJob, noJob, QUICK, type KeptAct } from './jobs'

/** What an act can be checked with, without reading all of its job again. */
interface KnownSheet extends CheckedUnder {
  opened: DriveSheet
  inForce: DriveSheet
}

/** Bytes of sheets that are remembered, by their length as text. */
const REMEMBERED = 32e6

/** Sheets that jobs stand under. */
const sheets = new LRUCache<string, KnownSheet>({
  maxSize: REMEMBERED,
  sizeCalculation: ({ opened, inForce }) =>
    2 * (JSON.stringify(opened).length + (inForce === opened ? 0 : JSON.stringify(inForce).length))
})

/**
 * Adds one act to a job. The same act again changes nothing and answers as the first time did.
 * @throws Problem not-found, bad-input with each fault, conflict when the id stands for another act or the job is held
 */
export async function addAct(jobId: string, value: unknown, by: Author = ANYBODY): Promise<KeptAct> {
  await useDb()
  if (!isUuid(jobId)) throw noJob()
  const { type, supersedes } = (value ?? {}) as { type?: unknown; supersedes?: unknown }
  if (type === 'choice')
    throw new Problem('bad-input', told('choice-by-link'), [{ place: 'type', ...told('not-entered-here') }])
  await checkAuthor(jobId, value, by)
  // What can change a job's state or sheet must see every act before it; anything else needs only what it names.
  if (isActType(type) && kindOf(type).locks) {
    const { acts } = await countActs(jobId)
    const most = JUDGED.includes(type) ? QUICK : MANY
    return acts <= most ? addWeighty(jobId, value, by.person) : heavily('asked', 'addWeighty', jobId, value, by.person)
  }
  return addLight(jobId, value, supersedes, by.person, 0)
}

/** Acts for which the whole job is judged; the others only need to be laid over the acts before them. */
const JUDGED: readonly string[] = ['signoff', 'state']
/** Acts that are laid over each other where they are asked for. */
const MANY = 1000

/** Who enters an act: the names that are theirs and what they may; anybody on an open workshop. */
export interface Author {
  person: PersonId
  names: readonly string[] | null
  role: Role
}

const ANYBODY: Author = { person: null, names: null, role: 'owner' }

/** Nobody enters under another's name, nor what takes more than they may. @throws Problem forbidden */
async function checkAuthor(jobId: string, value: unknown, { person, names, role }: Author): Promise<void> {
  if (names === null) return
  const { by, type, act, state } = (value ?? {}) as { by?: unknown; type?: unknown; act?: unknown; state?: unknown }
  if (typeof by === 'string') checkName(names, by)
  if (!isActType(type)) return
  const undone = type === 'undo' && typeof act === 'string' && isKeepable(act) ? await authorOfAct(jobId, act) : null
  const mine = undone !== null && (undone.personId === person || names.includes(undone.by))
  const needed = roleFor(type, { undoes: undone === null ? null : { mine }, state })
  if (needed !== null && !suffices(role, needed)) throw new Problem('forbidden', told('needs-role', { role: needed }))
}

async function authorOfAct(jobId: string, id: string): Promise<{ personId: PersonId; by: string } | null> {
  const row = await ActRow.findOne({ where: { jobId, id }, attributes: ['personId', 'body'] })
  return row ? { personId: row.personId, by: row.body.by } : null
}

/** Times that an act is looked at again because its job's sheet changed under it. */
const LOOKS = 5

async function addLight(
  jobId: string,
  value: unknown,
  supersedes: unknown,
  person: PersonId,
  looked: number
): Promise<KeptAct> {
  const sheet = sheets.get(jobId) ?? (await rememberSheet(jobId))
  const before: JobBefore = {
    sheet: sheet.inForce,
    opened: sheet.opened,
    acts: await findActs(jobId, supersedes),
    movesSheet: () => false
  }
  const faults = entryFaults(before, value)
  if (faults.length > 0) return refusedOrKnown(jobId, value, faults)
  const act = value as Act
  if (act.type === 'photo') await checkPhoto(jobId, act.photo)
  const seq = await putTogether(jobId, { act, under: sheet, person })
  if (seq !== null) return { seq, act }
  const known = await knownAct(jobId, act.id)
  if (known) return sameAct(known, value)
  // The sheet changed under it, or the whole database did: look again.
  sheets.delete(jobId)
  if (looked === LOOKS) throw new Problem('not-ready', told('job-too-quick'))
  return addLight(jobId, value, supersedes, person, looked + 1)
}

async function rememberSheet(jobId: string): Promise<KnownSheet> {
  const generation = await readGeneration()
  const row = await JobRow.findByPk(jobId)
  if (!row) throw noJob()
  const acts = row.sheetMoves === 0 ? [] : await actsOf(jobId)
  const sheet = {
    opened: row.sheet,
    inForce: sheetOf(
      row.sheet,
      foldActs(
        acts.map(({ act }) => act),
        row.school
      )
    ),
    moves: row.sheetMoves,
    generation
  }
  sheets.set(jobId, sheet)
  return sheet
}

/** The act that a correction names. */
async function findActs(jobId: string, id: unknown): Promise<ReadonlyMap<string, Act>> {
  const known = typeof id === 'string' ? await knownAct(jobId, id) : null
  return new Map(known ? [[known.act.id, known.act]] : [])
}

async function knownAct(jobId: string, id: string): Promise<KeptAct | null> {
  if (!isKeepable(id)) return null
  const row = await ActRow.findOne({ where: { jobId, id }, attributes: ['seq', 'body'] })
  return row ? keptAct(row) : null
}

/** Can a text be an act's id at all? Anything else is not even looked for. */
function isKeepable(id: string): boolean {
  return id.length <= 64 && isWellFormed(id)
}

/** A repeat of what was kept is answered as before, even where it could not be entered now. */
async function refusedOrKnown(jobId: string, value: unknown, faults: readonly Fault[]): Promise<KeptAct> {
  const { id } = (value ?? {}) as { id?: unknown }
  const known = typeof id === 'string' ? await knownAct(jobId, id) : null
  if (known) return sameAct(known, value)
  throw badInput(faults)
}

async function checkPhoto(jobId: string, photo: string): Promise<void> {
  if (isUuid(photo) && (await PhotoRow.count({ where: { id: photo, jobId } }))) return
  throw new Problem('bad-input', told('picture-not-kept'), [{ place: 'photo', ...told('no-photo-of-job') }])
}

/**
 * Keeps an act and tells every server: all or nothing.
 * @returns its place; null where nothing was kept, as the id is taken, or the sheet or the whole database changed
 */
async function putAct(
  jobId: string,
  act: Act,
  under: CheckedUnder,
  person: PersonId,
  transaction?: Transaction
): Promise<number | null> {
  try {
    return await keepAct(jobId, act, under, ACTS_CHANNEL, person, transaction)
  } catch (error) {
    if (codeOf(error) === 'UM001') throw new Problem('too-large', told('job-full', { most: MOST.acts }))
    throw error
  }
}

/**
 * Acts that come to a job while others are being kept on it are kept together, which costs the database little more
 * than one; where that fails, each by itself.
 */
const putTogether = inBatches<ActToKeep, number | null>(async (jobId, acts) => {
  const places = acts.length > 1 ? await keepActs(jobId, acts, ACTS_CHANNEL).catch(() => null) : null
  if (places) return places
  const each = acts.map(({ act, under, person }) => putAct(jobId, act, under, person))
  await Promise.allSettled(each)
  return each
})

/** Adds an act that rests on all acts before it, while nothing else changes the job. */
export async function addWeighty(jobId: string, value: unknown, person: PersonId = null): Promise<KeptAct> {
  const generation = await readGeneration()
  try {
    return await inTransaction(async (transaction) => {
      const job = await JobRow.findByPk(jobId, { transaction, lock: true })
      if (!job) throw noJob()
      const kept = await actsOf(jobId, transaction)
      const known = kept.find(({ act }) => act.id === (value as { id?: unknown } | null)?.id)
      if (known) return sameAct(known, value)
      const folding = new Folding(
        job.school,
        kept.map(({ act }) => act)
      )
      const act = madeAct(keptJob(job), folding, value)
      const seq = await putAct(jobId, act, { moves: job.sheetMoves, generation }, person, transaction)
      if (seq === null) throw new UniqueConstraintError({ message: 'act' })
      const { state } = folding.add(act).record
      await job.update({ state, sheetMoves: job.sheetMoves + (folding.movesSheet(act.id) ? 1 : 0) }, { transaction })
      return { seq, act }
    })
  } finally {
    sheets.delete(jobId)
  }
}

/** Adds a customer's choice that came through its share. One that says what the last through it said is that one. */
export async function addChoice(jobId: string, act: ActOf<'choice'>, most: number): Promise<void> {
  const generation = await readGeneration()
  await inTransaction(async (transaction) => {
    const job = await JobRow.findByPk(jobId, { transaction, lock: true })
    if (!job) throw noJob()
    const acts = (await actsOf(jobId, transaction)).map((kept) => kept.act)
    const through = acts.filter((one): one is ActOf<'choice'> => one.type === 'choice' && one.share === act.share)
    const last = through.at(-1)
    if (last && last.by === act.by && last.price === act.price && isSameJson(last.renew, act.renew)) return
    if (through.length >= most) throw new Problem('conflict', told('link-full'))
    const record = foldActs(acts, job.school)
    const faults = actFaults(
      { sheet: sheetOf(job.sheet, record), opened: job.sheet, acts: new Map(), movesSheet: () => false },
      act
    )
    if (faults.length > 0) throw new Problem('conflict', told('sheet-changed-since'), faults)
    await putAct(jobId, act, { moves: job.sheetMoves, generation }, null, transaction)
  })
}

/**
 * The act that is kept of what was sent: the same, or for a sign-off what the server makes of it. @throws Problem
 * bad-input, conflict
 */
function madeAct(job: KeptJob, folding: Folding, value: unknown): Act {
  const { record, byId, acts, movesSheet } = folding
  const before: JobBefore = { sheet: sheetOf(job.sheet, record), opened: job.sheet, acts: byId, movesSheet }
  const { type } = value as { type: Act['type'] }
  const { entry } = kindOf(type)
  const faults = entry ? schemaFaults(entry(), value) : entryFaults(before, value)
  if (faults.length > 0) throw badInput(faults)
  const act = value as Act
  if (act.type === 'signoff') return signEntry(job, acts, value as SignedEntry, before)
  if (act.type === 'state' && act.state === 'closed') checkHolds(job, acts)
  return act
}

type SignedEntry = Pick<ActOf<'signoff'>, 'id' | 'type' | 'by' | 'at' | 'seen'>

/** A verdict is signed as it stands: what someone else did since it was looked at must be looked at first. */
function signEntry(job: KeptJob, acts: readonly Act[], entry: SignedEntry, before: JobBefore): Act {
  if (entry.seen !== acts.at(-1)?.id) throw new Problem('conflict', told('job-changed-before-signing'))
  const { moved, signoffs } = foldActs(acts, job.school)
  const act: ActOf<'signoff'> = {
    ...entry,
    revision: signoffs.length + 1,
    core: CORE_VERSION,
    sheetRevision: moved?.revision ?? job.sheetRevision ?? null,
    assessment: assessRecord(job, acts),
    acts: acts.map(({ id }) => id)
  }
  const faults = actFaults(before, act)
  if (faults.length > 0) throw new Problem('conflict', told('verdict-incomplete'), faults)
  return act
}

/** What holds a job and was not released. */
function openHolds(job: KeptJob, acts: readonly Act[]): Hold[] {
  return rebuildOf(job, acts, assessRecord(job, acts)).holds.filter(({ released }) => !released)
}

/** A hold in words. */
export interface ToldHold {
  id: string
  says: string
  release: string
}

/** What holds a job's engine. @throws Problem not-found */
export async function holdsOf(jobId: string): Promise<ToldHold[]> {
  const { job, acts: kept } = await findJob(jobId)
  const acts = kept.map(({ act }) => act)
  const name = namesOf(jobFile(job, acts).drive)
  return openHolds(job, acts).map((hold) => ({
    id: hold.id,
    says: sayHold(hold, name),
    release: sayHoldRelease(hold.release, name)
  }))
}

/** A job closes when nothing holds its engine, or each hold was released by name with a reason. */
function checkHolds(job: KeptJob, acts: readonly Act[]): void {
  const open = openHolds(job, acts)
  if (open.length === 0) return
  const name = namesOf(jobFile(job, acts).drive)
  throw new Problem(
    'conflict',
    told('holds-keep-open', { holds: open.length }),
    open.map((hold) => ({ place: hold.id, ...told('hold', { said: sayHold(hold, name) }) }))
  )
}

/** Places are given out before acts are committed: an act with a lower place may turn up this many places late. */
const LATE = 200

/** Acts told at once; who asks for what is new asks again from the last of them. */
const AT_ONCE = 1000

/**
 * Acts on a job kept after a place in the workshop's order, with some before it that may have been committed since; at
 * most a thousand.
 */
export async function actsAfter(jobId: string, seq: number): Promise<KeptAct[]> {
  await useDb()
  if (!isUuid(jobId)) return []
  const rows = await ActRow.findAll({
    where: { jobId, seq: { [Op.gt]: Math.max(0, Math.min(seq, Number.MAX_SAFE_INTEGER) - LATE) } },
    attributes: ['seq', 'body'],
    order: [['seq', 'ASC']],
    limit: AT_ONCE,
    raw: true
  })
  return rows.map(keptAct)
}

/** Acts on a job at these places. */
export async function actsAt(jobId: string, places: readonly number[]): Promise<KeptAct[]> {
  await useDb()
  if (!isUuid(jobId)) return []
  const rows = await ActRow.findAll({
    where: { jobId, seq: places.filter(Number.isSafeInteger) },
    attributes: ['seq', 'body'],
    order: [['seq', 'ASC']],
    raw: true
  })
  return rows.map(keptAct)
}

/** Fields that a page sends of an act; what the server adds to a sign-off is not among them. */
function sentPart(act: Act): unknown {
  if (act.type !== 'signoff') return act
  const { id, type, by, at, seen } = act
  return { id, type, by, at, seen }
}

function sameAct(known: KeptAct, value: unknown): KeptAct {
  if (isSameJson(sentPart(known.act), value)) return known
  throw new Problem('conflict', told('act-id-taken'))
}
