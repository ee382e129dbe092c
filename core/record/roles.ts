import type { ActType } from './acts'
import { kindOf } from './actFaults'

/** Who works here, by what they may do: each may all that those before may. */
export const ROLES = ['learner', 'mechanic', 'foreman', 'owner'] as const
export type Role = (typeof ROLES)[number]

/** May a role do what needs another? Nobody (null) may nothing. */
export function suffices(role: Role | null, needed: Role): boolean {
  return role !== null && ROLES.indexOf(role) >= ROLES.indexOf(needed)
}

/** The role that an act of a type takes; null for what comes through a customer's link alone. */
export function roleOfAct(type: ActType): Role | null {
  const { who } = kindOf(type)
  return who === 'customer' ? null : who
}

/** What taking back another's act and deleting a job take beyond the type of the act. */
export function roleFor(
  type: ActType,
  { undoes = null, state }: { undoes?: { mine: boolean } | null; state?: unknown } = {}
): Role | null {
  if (type === 'undo' && undoes && !undoes.mine) return 'foreman'
  if (type === 'state' && state === 'deleted') return 'foreman'
  return roleOfAct(type)
}
