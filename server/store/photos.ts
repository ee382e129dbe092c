import { isUuid, sayOfCheck } from '../../core/check'
import { told } from '../../words/problems'
import { createHash, randomUUID } from 'node:crypto'
import { Op, type Transaction } from 'sequelize'
import { MOST } from '../../core/record'
import { inTransaction, useDb } from '../db/connection'
import { JobRow, PhotoRow } from '../db/models'
import { photoSizes } from '../db/queries/photos'
import { upright } from '../photos/upright'
import { Problem } from '../utils/problem'
import { noJob } from './jobs'

/** A kept photo, without its pixels. */
export interface KeptPhoto {
  id: string
  width: number
  height: number
}

/**
 * Keeps a picture for a job, under the id that the sender chose, so that one sent twice is kept once.
 * @throws Problem not-found without the job, bad-input for what is no picture or no id, conflict for an id that another
 *   picture has
 */
export async function addPhoto(jobId: string, bytes: Buffer, id: string = randomUUID()): Promise<KeptPhoto> {
  await useDb()
  if (!isUuid(jobId) || (await JobRow.count({ where: { id: jobId } })) === 0) throw noJob()
  if (!isUuid(id)) throw new Problem('bad-input', told('picture-id'), [{ place: 'id', ...sayOfCheck('uuid') }])
  const known = await sameAgain(jobId, id, bytes)
  if (known) return known
  const { body, thumb, width, height } = await upright(bytes)
  await inTransaction(async (transaction) => {
    if ((await PhotoRow.count({ where: { jobId }, transaction })) >= MOST.photos)
      throw new Problem('too-large', told('job-full-of-pictures', { most: MOST.photos }))
    await PhotoRow.bulkCreate([{ id, jobId, width, height, body, thumb, sent: digestOf(bytes) }], {
      ignoreDuplicates: true,
      transaction
    })
  })
  const kept = await sameAgain(jobId, id, bytes)
  if (!kept) throw new Error(`photo ${id} was kept and is not there`)
  return kept
}

/** The picture under an id, if it is the one that was sent; null where there is none. @throws Problem conflict */
async function sameAgain(jobId: string, id: string, bytes: Buffer): Promise<KeptPhoto | null> {
  const row = await PhotoRow.findByPk(id, { attributes: ['id', 'jobId', 'width', 'height', 'sent'] })
  if (!row) return null
  // Pictures kept by an older version do not say what was sent.
  if (row.jobId !== jobId || (row.sent !== null && row.sent !== digestOf(bytes)))
    throw new Problem('conflict', told('picture-id-taken'))
  return { id, width: row.width, height: row.height }
}

export function digestOf(bytes: Buffer): string {
  return createHash('sha256').update(bytes).digest('hex')
}

/** Keeps a picture that a file brought, within a transaction. */
export async function keepPhoto(jobId: string, id: string, bytes: Buffer, transaction: Transaction): Promise<void> {
  await PhotoRow.create(
    { id, jobId, sent: digestOf(bytes), ...(await upright(bytes)) },
    { transaction, returning: false }
  )
}

/** A photo of one job and of no other, as JPEG. @throws Problem not-found */
export async function photoOfJob(jobId: string, id: string, size: 'body' | 'thumb'): Promise<Buffer> {
  await useDb()
  const row = isUuid(id) ? await PhotoRow.findOne({ where: { id, jobId }, attributes: [size] }) : null
  if (!row) throw noPhoto()
  return row[size]
}

const noPhoto = () => new Problem('not-found', told('no-such-picture'))

/** What photos a job has, the oldest first, each with its size in bytes. */
export async function photoList(jobId: string): Promise<{ id: string; bytes: number }[]> {
  await useDb()
  return isUuid(jobId) ? photoSizes(jobId, MOST.photos) : []
}

/** Some photos of a job with their pixels, in the order they are named in. */
export async function findPhotos(
  jobId: string,
  ids: readonly string[],
  size: 'body' | 'thumb'
): Promise<Map<string, Buffer>> {
  await useDb()
  const rows = await PhotoRow.findAll({
    where: { jobId, id: { [Op.in]: ids.filter(isUuid) } },
    attributes: ['id', size]
  })
  return new Map(rows.map((row) => [row.id, row[size]]))
}

/** A kept photo's pixels as JPEG. @throws Problem not-found */
export async function photoBytes(id: string, size: 'body' | 'thumb'): Promise<Buffer> {
  await useDb()
  const row = isUuid(id) ? await PhotoRow.findByPk(id, { attributes: [size] }) : null
  if (!row) throw noPhoto()
  return row[size]
}
