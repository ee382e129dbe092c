import { told } from '../../words/problems'
import { countTry } from '../db/queries/access'
import { Problem } from '../utils/problem'

/** Counts a try before it is looked at. @throws Problem too-many while the next one has to wait */
export async function countPatiently(key: string): Promise<void> {
  const seconds = await countTry(key)
  if (seconds > 0) throw new Problem('too-many', told('wait-seconds', { seconds }))
}
