import { randomUUID } from 'node:crypto'
import { useDb } from '../db/connection'
import { JobRow, PhotoRow } from '../db/models'
import { upright } from '../photos/upright'
import { Problem } from '../utils/problem'
import { isUuid } from './jobs'

/** A kept photo, without its pixels. */
export interface KeptPhoto {
  id: string
  width: number
  height: number
}

/**
 * Keeps a picture for a job, under the id that the sender chose, so that one sent twice is kept once.
 * @throws Problem not-found without the job, bad-input for what is no picture or no id
 */
export async function addPhoto(jobId: string, bytes: Buffer, id: string = randomUUID()): Promise<KeptPhoto> {
  await useDb()
  if (!isUuid(jobId) || (await JobRow.count({ where: { id: jobId } })) === 0) throw new Problem('not-found', 'There is no such job in this workshop.')
  if (!isUuid(id)) throw new Problem('bad-input', 'The id of a picture is a UUID.')
  const { body, thumb, width, height } = await upright(bytes)
  await PhotoRow.bulkCreate([{ id, jobId, width, height, body, thumb }], { ignoreDuplicates: true })
  return { id, width, height }
}

/** A photo of one job and of no other, as JPEG. @throws Problem not-found */
export async function photoOfJob(jobId: string, id: string, size: 'body' | 'thumb'): Promise<Buffer> {
  await useDb()
  const row = isUuid(id) ? await PhotoRow.findOne({ where: { id, jobId }, attributes: [size] }) : null
  if (!row) throw new Problem('not-found', 'This picture is not kept on this machine.')
  return row[size]
}

/** Every photo of a job with its pixels. */
export async function photosOf(jobId: string): Promise<{ id: string; jpeg: Buffer }[]> {
  await useDb()
  return (await PhotoRow.findAll({ where: { jobId }, attributes: ['id', 'body'], order: [['receivedAt', 'ASC']] })).map(({ id, body }) => ({ id, jpeg: body }))
}

/** A kept photo's pixels as JPEG. @throws Problem not-found */
export async function photoBytes(id: string, size: 'body' | 'thumb'): Promise<Buffer> {
  await useDb()
  const row = isUuid(id) ? await PhotoRow.findByPk(id, { attributes: [size] }) : null
  if (!row) throw new Problem('not-found', 'This picture is not kept on this machine.')
  return row[size]
}
