import { told } from '../../words/problems'
import { heavily } from '../heavy/heavily'
import { fileName } from '../pdf/fileName'
import { Problem } from '../utils/problem'
import { MOST_JSON } from './imports'
import { photoList, photoOfJob } from './photos'

/** Bytes that the pictures in a file in one piece may come to; the rest is the job's own. */
const MOST_PICTURES = MOST_JSON / 2

/** A job on its way out: what it is called, and the pieces of its file, each made when the one before it was sent. */
export interface Exported {
  name: string
  lines: boolean
  pieces: AsyncIterable<string>
}

/**
 * A job as a file: one JSON object where that can be taken in again, else (or where it is asked for) lines, a picture
 * on each. @throws Problem not-found, too-large
 */
export async function exportText(id: string, wanted?: 'json' | 'lines'): Promise<Exported> {
  const { text, vehicle } = await heavily('long', 'textOf', id, 'line')
  const photos = await photoList(id)
  const fits = photos.reduce((sum, { bytes }) => sum + (4 * bytes) / 3, 0) < MOST_PICTURES
  if (wanted === 'json' && !fits) throw new Problem('too-large', told('too-large-for-json'))
  const lines = wanted === 'lines' || (wanted === undefined && !fits)
  return { name: fileName(vehicle), lines, pieces: lines ? lineByLine(id, text, photos) : inOnePiece(id, text, photos) }
}

const base64 = async (jobId: string, id: string) => (await photoOfJob(jobId, id, 'body')).toString('base64')

async function* lineByLine(jobId: string, text: string, photos: readonly { id: string }[]): AsyncGenerator<string> {
  yield text
  for (const { id } of photos) yield `${JSON.stringify({ photo: { id, jpeg: await base64(jobId, id) } })}\n`
}

/** The object is closed again behind its pictures. */
async function* inOnePiece(jobId: string, text: string, photos: readonly { id: string }[]): AsyncGenerator<string> {
  const open = text.trimEnd().slice(0, -1)
  yield photos.length > 0 ? `${open},"photos":[` : open
  for (const [i, { id }] of photos.entries())
    yield `${i > 0 ? ',' : ''}${JSON.stringify({ id, jpeg: await base64(jobId, id) })}`
  yield photos.length > 0 ? ']}\n' : '}\n'
}
