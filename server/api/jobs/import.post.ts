import { randomUUID } from 'node:crypto'
import { getQuery } from 'h3'
import { importJob } from '../../../core/job/exchange'
import { takeIn } from '../../store/takeIn'
import { Problem } from '../../utils/problem'
import { readJson, route } from '../../utils/route'

/** Greatest job file taken in, its photos with it. */
const LIMIT = 64 * 1024 * 1024

export default route(async (event) => {
  const by = String(getQuery(event).by ?? '').slice(0, 80) || 'import'
  const file = await readJson(event, LIMIT)
  const { job, acts, faults } = importJob(file, { by, at: new Date().toISOString(), newId: randomUUID })
  if (!job) throw new Problem('bad-input', 'This file was not taken in. Nothing was changed.', faults.slice(0, 50))
  const id = randomUUID()
  const { photos = [] } = file as { photos?: { id: string; jpeg: string }[] }
  await takeIn(id, job, acts, photos.map(({ id: photo, jpeg }) => ({ id: photo, jpeg: Buffer.from(jpeg, 'base64') })))
  return { id }
})
