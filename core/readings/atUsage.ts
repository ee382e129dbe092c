import { convert } from '../math'
import type { DriveSheet, Limit } from '../sheet'
import type { JobFile, Usage } from './jobFile'

const moved = new WeakMap<DriveSheet, Map<string, DriveSheet>>()

/**
 * A job whose limits stand where its usage has moved them: some makers allow so many degrees more for every so much
 * usage. The job itself where none of its limits moves.
 */
export function atUsage<J extends Pick<JobFile, 'drive' | 'usage'>>(job: J): J {
  const { drive, usage } = job
  if (!drive.limits.some(({ per }) => per)) return job
  const known = moved.get(drive) ?? new Map<string, DriveSheet>()
  moved.set(drive, known)
  const key = `${usage.value} ${usage.unit}`
  const at = known.get(key) ?? { ...drive, limits: drive.limits.map((limit) => limitAt(limit, usage)) }
  known.set(key, at)
  return { ...job, drive: at }
}

/** A moving limit at a usage; hours do not turn into a distance, so it stays where it stands for none. */
function limitAt({ per, ...limit }: Limit, usage: Usage): Limit {
  if (!per) return limit
  const used = usageIn(usage, per.unit)
  if (used === null) return limit
  const value = limit.value + (per.value * used) / per.usage
  return { ...limit, value: Math.max(0, per.most === undefined ? value : Math.min(value, per.most)) }
}

function usageIn({ value, unit }: Usage, wanted: Usage['unit']): number | null {
  if (unit === wanted) return value
  return unit === 'h' || wanted === 'h' ? null : convert('distance', value, unit, wanted)
}
