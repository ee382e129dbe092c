import { exportJob } from '../../core/job/exchange'
import { fileName } from '../pdf/fileName'
import { Problem } from '../utils/problem'
import { MOST_JSON } from './imports'
import { findJob } from './jobs'
import { photoList, photoOfJob } from './photos'

/** Bytes that a job without its photos is taken to come to at the most, of what a file in one piece may have. */
const WITHOUT_PHOTOS = MOST_JSON / 2

/** How a job is exported: in one piece where that can be taken in again, else as lines. @throws Problem not-found, too-large */
export async function exportForm(jobId: string, wanted?: 'json' | 'lines'): Promise<{ id: string; name: string; lines: boolean }> {
  const { id, job } = await findJob(jobId)
  const bytes = (await photoList(id)).reduce((sum, photo) => sum + (4 * photo.bytes) / 3, 0)
  const fits = bytes < MOST_JSON - WITHOUT_PHOTOS
  if (wanted === 'json' && !fits) throw new Problem('too-large', 'With its pictures this job does not fit into one JSON file: export it as lines.')
  return { id, name: fileName(job.vehicle), lines: wanted === 'lines' || (wanted === undefined && !fits) }
}

/** A job with its photos as one JSON object. */
export async function exportText(id: string): Promise<string> {
  const { job, acts } = await findJob(id)
  const photos = []
  for (const photo of await photoList(id)) photos.push({ id: photo.id, jpeg: (await photoOfJob(id, photo.id, 'body')).toString('base64') })
  return JSON.stringify({ ...exportJob(job, acts.map(({ act }) => act)), ...(photos.length > 0 ? { photos } : {}) }, null, 1)
}

/** The same as lines: the job, then a picture a line, each read when the one before it was sent. */
export async function* exportLines(id: string): AsyncGenerator<string> {
  const { job, acts } = await findJob(id)
  yield `${JSON.stringify(exportJob(job, acts.map(({ act }) => act)))}\n`
  for (const photo of await photoList(id)) yield `${JSON.stringify({ photo: { id: photo.id, jpeg: (await photoOfJob(id, photo.id, 'body')).toString('base64') } })}\n`
}
