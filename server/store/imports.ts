import { sayOfCheck } from '../../core/check'
import { told } from '../../words/problems'
import { randomUUID } from 'node:crypto'
import { createReadStream, statSync } from 'node:fs'
import { readFile } from 'node:fs/promises'
import type { Transaction } from 'sequelize'
import { type Act, importJob, type KeptJob, MOST } from '../../core/record'
import { inTransaction, useDb } from '../db/connection'
import { JobRow } from '../db/models'
import { createJob } from '../db/rows'
import { Problem } from '../utils/problem'
import { parsedJson } from '../utils/route'
import { keepPhoto } from './photos'

/** Bytes of a job file in one piece, and of one line of a file of lines. */
export const MOST_JSON = 64 * 1024 * 1024

const NOT_TAKEN = told('file-not-taken')

/** A photo as a file brings it. */
interface Brought {
  id: string
  jpeg: string
}

/**
 * Keeps a job from a file on disk with its photos, all or nothing: either one JSON object, or lines, of which the first
 * is the job and each other `{ "photo": { "id", "jpeg" } }`, so that no more than one picture is in memory. Photos get
 * ids of their own here, as the same file may come in twice.
 * @param id of the new job; where there is one of that id already, the file was taken in before
 * @throws Problem bad-input with each fault, or for a picture that is none
 */
export async function importSpooled(id: string, file: string, by: string, at: string): Promise<{ id: string }> {
  await useDb()
  if ((await JobRow.count({ where: { id } })) > 0) return { id }
  const lines = linesOf(file)
  const first = await lines.next()
  const alone = isWhole(first.value) ? first.value : null
  if (alone === null && statSync(file).size > MOST_JSON)
    throw new Problem('too-large', told('file-too-large', { megabytes: MOST_JSON / 1024 / 1024 }))
  const value = parsedJson(alone ?? (await readFile(file, 'utf8')))
  const { job, acts, faults } = importJob(value, { by, at, newId: randomUUID })
  if (!job) throw new Problem('bad-input', NOT_TAKEN, faults)
  const { photos = [] } = value as { photos?: Brought[] }
  return keep(id, job, acts, alone === null ? follow(photos) : follow(photos, lines))
}

/** Is a line a JSON object by itself? A file written for people begins with a lone brace. */
function isWhole(line: string | undefined | void): line is string {
  return (
    typeof line === 'string' && line.trimStart().startsWith('{') && line.trimEnd().endsWith('}') && line.trim() !== '{}'
  )
}

async function keep(
  id: string,
  job: KeptJob,
  acts: readonly Act[],
  photos: AsyncIterable<Brought>
): Promise<{ id: string }> {
  const ids = new Map<string, string>()
  const renamed = acts.map((act) => {
    if (act.type !== 'photo') return act
    const photo = ids.get(act.photo) ?? randomUUID()
    ids.set(act.photo, photo)
    return { ...act, photo }
  })
  await inTransaction(async (transaction) => {
    await createJob(id, job, renamed, { demo: false, transaction })
    await keepPhotos(id, photos, ids, transaction)
  })
  return { id }
}

async function keepPhotos(
  jobId: string,
  photos: AsyncIterable<Brought>,
  ids: Map<string, string>,
  transaction: Transaction
): Promise<void> {
  const seen = new Set<string>()
  for await (const { id, jpeg } of photos) {
    if (seen.has(id))
      throw new Problem('bad-input', NOT_TAKEN, [{ place: 'photos', ...told('photo-twice', { id: id.slice(0, 64) }) }])
    if (seen.add(id).size > MOST.photos)
      throw new Problem('bad-input', NOT_TAKEN, [
        { place: 'photos', ...sayOfCheck('list-at-most', { max: MOST.photos }) }
      ])
    await keepPhoto(jobId, ids.get(id) ?? randomUUID(), Buffer.from(jpeg, 'base64'), transaction)
  }
}

/** The photos in a file's object, then those on its other lines. */
async function* follow(photos: readonly Brought[], lines?: AsyncIterable<string>): AsyncGenerator<Brought> {
  yield* photos
  if (!lines) return
  let number = 1
  for await (const line of lines) {
    number++
    if (line.trim() === '') continue
    const { photo } = (parsedJson(line) ?? {}) as { photo?: Partial<Brought> | null }
    if (typeof photo?.id !== 'string' || typeof photo.jpeg !== 'string')
      throw new Problem('bad-input', NOT_TAKEN, [{ place: `line ${number}`, ...told('a-photo-line') }])
    yield { id: photo.id, jpeg: photo.jpeg }
  }
}

/** The lines of a file, one at a time. @throws Problem too-large for a line that is no job's and no picture's */
async function* linesOf(file: string): AsyncGenerator<string, undefined> {
  let pieces: Buffer[] = []
  let bytes = 0
  for await (const chunk of createReadStream(file, { highWaterMark: 1024 * 1024 }) as AsyncIterable<Buffer>) {
    let from = 0
    for (let at = chunk.indexOf(10); at >= 0; at = chunk.indexOf(10, from)) {
      yield Buffer.concat([...pieces, chunk.subarray(from, at)]).toString('utf8')
      pieces = []
      bytes = 0
      from = at + 1
    }
    pieces.push(chunk.subarray(from))
    bytes += chunk.length - from
    if (bytes > MOST_JSON)
      throw new Problem('too-large', told('line-too-large', { megabytes: MOST_JSON / 1024 / 1024 }))
  }
  if (bytes > 0) yield Buffer.concat(pieces).toString('utf8')
  return undefined
}
