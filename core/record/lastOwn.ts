import type { Act, JobRecord } from './acts'

/** Acts that are not taken back with a touch: they stand as they were signed, chosen, or taken back. */
const STANDING: readonly Act['type'][] = ['undo', 'signoff', 'choice']

/**
 * The newest of somebody's own acts that still stands: what their taking back takes back. Pressed again, it is the one
 * before.
 * @param by whoever is at the bench
 */
export function lastOwn(acts: readonly Act[], { undone }: Pick<JobRecord, 'undone'>, by: string): Act | null {
  return acts.findLast((act) => act.by === by && !undone.has(act.id) && !STANDING.includes(act.type)) ?? null
}
