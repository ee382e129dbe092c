import { randomUUID } from 'node:crypto'
import type { Act } from '../../core/job/acts'
import type { KeptJob } from '../../core/job/types'
import { upright } from '../photos/upright'
import { insertJob, type NewPhoto } from './jobs'

/**
 * Keeps a job from a file with its photos, all or nothing. Photos get ids of their own here, as the same file may come in
 * twice; those that the file did not bring are forgotten by the acts that name them.
 * @throws Problem bad-input for a picture that is none
 */
export async function takeIn(id: string, job: KeptJob, acts: readonly Act[], photos: readonly { id: string; jpeg: Buffer }[]): Promise<void> {
  const taken: (NewPhoto & { old: string })[] = []
  for (const { id: old, jpeg } of photos) taken.push({ old, id: randomUUID(), ...(await upright(jpeg)) })
  const known = acts.map((act) => (act.type === 'photo' ? { ...act, photo: taken.find(({ old }) => old === act.photo)?.id ?? act.photo } : act))
  await insertJob(id, job, known, taken)
}
