import { randomUUID } from 'node:crypto'
import { getQuery } from 'h3'
import { importJob } from '../../../core/job/exchange'
import { insertJob } from '../../store/jobs'
import { Problem } from '../../utils/problem'
import { readJson, route } from '../../utils/route'

/** Greatest job file taken in. */
const LIMIT = 8 * 1024 * 1024

export default route(async (event) => {
  const by = String(getQuery(event).by ?? '').slice(0, 80) || 'import'
  const { job, acts, faults } = importJob(await readJson(event, LIMIT), { by, at: new Date().toISOString(), newId: randomUUID })
  if (!job) throw new Problem('bad-input', 'This file was not taken in. Nothing was changed.', faults.slice(0, 50))
  const id = randomUUID()
  await insertJob(id, job, acts)
  return { id }
})
