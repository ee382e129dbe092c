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

/** Keeps a picture for a job. @throws Problem not-found without the job, bad-input for what is no picture */
export async function addPhoto(jobId: string, bytes: Buffer): Promise<KeptPhoto> {
  await useDb()
  if (!isUuid(jobId) || (await JobRow.count({ where: { id: jobId } })) === 0) throw new Problem('not-found', 'There is no such job in this workshop.')
  const { body, thumb, width, height } = await upright(bytes)
  const id = randomUUID()
  await PhotoRow.create({ id, jobId, width, height, body, thumb })
  return { id, width, height }
}

/** A kept photo's pixels as JPEG. @throws Problem not-found */
export async function photoBytes(id: string, size: 'body' | 'thumb'): Promise<Buffer> {
  await useDb()
  const row = isUuid(id) ? await PhotoRow.findByPk(id, { attributes: [size] }) : null
  if (!row) throw new Problem('not-found', 'This picture is not kept on this machine.')
  return row[size]
}
