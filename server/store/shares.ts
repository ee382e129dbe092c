import { isUuid } from '../../core/check'
import { upgradeReport, writeShareLetter } from '../../words/en'
import { told } from '../../words/problems'
import { sayIn } from '../../words/spoken'
import { randomUUID } from 'node:crypto'
import { type ActOf, dayAt, MOST_MAILED } from '../../core/record'
import { hashOf, makeToken } from '../access/secrets'
import { useDb } from '../db/connection'
import { CustomerRow, JobRow, type Mailed, ShareRow } from '../db/models'
import { noteMailed } from '../db/queries/shares'
import { askedIn, heldLanguage } from '../languages'
import { sendLetter } from '../mail/send'
import { Problem } from '../utils/problem'
import { addChoice } from './acts'
import { photoOfJob } from './photos'
import { mailSettings } from './mail'
import { jobReport, type DrawnReport } from './reports'
import { workshopFacts } from './workshop'

/** Where a link goes by e-mail: is any set up, and what is known of the customer's address. */
export interface ShareMail {
  set: boolean
  to: string
}

/** A share as the workshop lists it. */
export interface ListedShare {
  id: string
  createdBy: string
  createdAt: string
  expiresAt: string
  revokedAt: string | null
  mailed: Mailed[]
}

const DAY_MS = 86_400_000

/** A share that was made just now: its token is told once, here. */
export interface MadeShare extends ListedShare {
  token: string
  mail: ShareMail
}

/** Shares a job's report as it stands. The token is told once, here. @throws Problem not-found */
export async function createShare(jobId: string, by: string, days: number): Promise<MadeShare> {
  const { report, map } = await jobReport(jobId)
  const token = makeToken()
  const row = await ShareRow.create({
    id: randomUUID(),
    jobId,
    tokenHash: hashOf(token),
    report,
    map,
    createdBy: by,
    createdAt: new Date(),
    expiresAt: new Date(Date.now() + days * DAY_MS)
  })
  return { ...listShare({ ...row.get(), mailed: [] }), token, mail: await mailOf(jobId) }
}

async function mailOf(jobId: string): Promise<ShareMail> {
  const { way } = await mailSettings()
  const job = await JobRow.findByPk(jobId, { attributes: ['customerId'] })
  const customer = job?.customerId ? await CustomerRow.findByPk(job.customerId) : null
  return { set: way !== 'none', to: customer?.email ?? '' }
}

/**
 * Sends a link to its customer by e-mail. The token proves that who sends it was given it: only its digest is kept.
 * @throws Problem not-found, gone, conflict, not-ready
 */
export async function mailShare(
  jobId: string,
  id: string,
  { token, to, by, link }: { token: string; to: string; by: string; link: string }
): Promise<ListedShare> {
  const opened = await openShare(token)
  if (opened.id !== id || opened.jobId !== jobId) throw new Problem('not-found', told('no-such-link'))
  const row = await ShareRow.findByPk(id, { attributes: { exclude: ['report', 'map'] } })
  if (!row) throw new Problem('not-found', told('no-such-link'))
  if (row.mailed.length >= MOST_MAILED) throw new Problem('conflict', told('mail-full', { most: MOST_MAILED }))
  const { name, timeZone } = await workshopFacts()
  const until = dayAt(opened.expiresAt, { timeZone })
  const { vehicle, language = askedIn() } = opened.report
  // In the language of what it leads to.
  const letter = sayIn(heldLanguage(language), () => writeShareLetter({ workshop: name, vehicle, link, until }))
  await sendLetter(name, { to, ...letter })
  await noteMailed(id, { to, by, at: new Date().toISOString() })
  return listShare((await ShareRow.findByPk(id, { attributes: { exclude: ['report', 'map'] } })) ?? row)
}

/** The shares of a job, the newest first. */
export async function listShares(jobId: string): Promise<ListedShare[]> {
  await useDb()
  if (!isUuid(jobId)) return []
  return (
    await ShareRow.findAll({
      where: { jobId },
      attributes: { exclude: ['report', 'map'] },
      order: [['createdAt', 'DESC']]
    })
  ).map(listShare)
}

/** Takes a share back: from now on its link shows nothing. @throws Problem not-found */
export async function revokeShare(jobId: string, id: string): Promise<void> {
  await useDb()
  const [changed] =
    isUuid(id) && isUuid(jobId)
      ? await ShareRow.update({ revokedAt: new Date() }, { where: { id, jobId, revokedAt: null as never } })
      : [0]
  if (changed === 0) throw new Problem('not-found', told('no-such-link'))
}

/** What a link shows. @throws Problem not-found for a token that nobody was given, gone for one that is over */
export async function openShare(
  token: string
): Promise<DrawnReport & { id: string; jobId: string; expiresAt: string }> {
  await useDb()
  const row = await ShareRow.findOne({ where: { tokenHash: hashOf(token) } })
  if (!row) throw new Problem('not-found', told('link-unknown'))
  if (row.revokedAt) throw new Problem('gone', told('link-revoked'))
  if ((await JobRow.count({ where: { id: row.jobId, state: 'deleted' } })) > 0)
    throw new Problem('gone', told('link-job-deleted'))
  if (row.expiresAt.getTime() <= Date.now()) throw new Problem('gone', told('link-expired'))
  return {
    id: row.id,
    jobId: row.jobId,
    report: upgradeReport(row.report),
    map: row.map,
    expiresAt: row.expiresAt.toISOString()
  }
}

/** A photo of the report behind a link; of no other job and no later photo. @throws Problem not-found, gone */
export async function sharedPhoto(token: string, photo: string, size: 'body' | 'thumb'): Promise<Buffer> {
  const { jobId, report } = await openShare(token)
  if (!report.photos.some(({ id }) => id === photo)) throw new Problem('not-found', told('picture-not-in-report'))
  return photoOfJob(jobId, photo, size)
}

/** Choices that one link takes: a customer changes their mind, nobody does so twenty times. */
const MOST_CHOICES = 20

/**
 * Takes the customer's choice to the job; the same one again changes nothing. @throws Problem not-found, gone,
 * bad-input, conflict
 */
export async function choose(token: string, path: number, name: string): Promise<void> {
  const { id, jobId, report } = await openShare(token)
  const chosen = report.paths[path]
  if (!chosen) throw new Problem('bad-input', told('choose-way'), [{ place: 'path', ...told('no-path-of-report') }])
  const act: ActOf<'choice'> = {
    id: randomUUID(),
    type: 'choice',
    by: name,
    at: new Date().toISOString(),
    share: id,
    renew: chosen.renew,
    price: Math.round(chosen.price * 100) / 100
  }
  await addChoice(jobId, act, MOST_CHOICES)
}

type Listable = Pick<ShareRow, 'id' | 'createdBy' | 'createdAt' | 'expiresAt' | 'revokedAt' | 'mailed'>

function listShare({ id, createdBy, createdAt, expiresAt, revokedAt, mailed }: Listable): ListedShare {
  return {
    id,
    createdBy,
    createdAt: createdAt.toISOString(),
    expiresAt: expiresAt.toISOString(),
    revokedAt: revokedAt?.toISOString() ?? null,
    mailed
  }
}
