import { jobFile, type KeptJob } from '../../core/record'
import type { JobFile, LearntPriors } from '../../core/readings'
import { countingErrors, ENOUGH_ENGINES, learnOwn, type OwnPriors } from '../../core/views/learn'
import { poolLearnt } from '../../core/estimate'
import { useDb } from '../db/connection'
import { JobRow, SettingRow } from '../db/models'
import { OWN_PRIORS } from '../db/settingKeys'
import { finishedJobs } from '../db/queries/jobs'
import { heavily } from '../heavy/heavily'
import { log } from '../utils/log'
import { actsOf, keptJob } from './jobs'
import { learntElsewhere } from './learntFiles'
import { filesLeft } from './wearLeft'

/** Jobs of a type that are learnt from at the most, the newest. */
const MOST = 200

const keyOf = (sheetId: string) => `${OWN_PRIORS}${sheetId}`

/** What the workshop has learnt of a type of engine; null before anything was. */
export async function ownPriors(sheetId: string): Promise<OwnPriors | null> {
  await useDb()
  const row = await SettingRow.findByPk(keyOf(sheetId))
  return (row?.value ?? null) as OwnPriors | null
}

/** What a new job of a type is judged under, with what was learnt elsewhere; null while too few engines taught it. */
export async function priorsFor(sheetId: string): Promise<LearntPriors | null> {
  const own = await ownPriors(sheetId)
  const pooled = poolLearnt(own?.priors ?? null, await learntElsewhere(sheetId))
  if (!pooled || pooled.engines < ENOUGH_ENGINES) return null
  const people = countingErrors(own?.people)
  return people.length > 0 ? { ...pooled, people } : pooled
}

/** Learns a job's type anew, where nobody waits for it. */
export function relearnFrom(jobId: string): void {
  const learn = async () => {
    const row = await JobRow.findByPk(jobId, { attributes: ['id', 'sheet'] })
    if (row) await heavily('behind', 'relearn', row.sheet.id)
  }
  learn().catch((error: unknown) => log.error({ err: error, job: jobId }, 'nothing could be learnt'))
}

/** Learns a type of engine anew from its finished jobs. */
export async function relearn(sheetId: string): Promise<OwnPriors | null> {
  await useDb()
  const ids = await finishedJobs(sheetId, MOST)
  const jobs = (await Promise.all(ids.map(fileOf))).flatMap((file) => file ?? [])
  const files = [...jobs, ...(await filesLeft(sheetId, MOST - jobs.length))]
  const newest = files[0]
  if (!newest) return null
  const own = learnOwn({ id: sheetId, name: newest.drive.name }, files)
  await SettingRow.upsert({ key: keyOf(sheetId), value: own })
  return own
}

/** A finished job as the core reads it; one that cannot be read teaches nothing. */
async function fileOf(id: string): Promise<JobFile | null> {
  const row = await JobRow.findByPk(id)
  if (!row) return null
  const job: KeptJob = keptJob(row)
  const acts = (await actsOf(id)).map(({ act }) => act)
  try {
    return jobFile(job, acts)
  } catch {
    return null
  }
}
