import { shallowRef } from 'vue'
import type { Me } from '../server/store/sessions'

/** Who is signed in on this device; null on the server, and until it is known. */
export const signedIn = shallowRef<Me | null>(null)

/** Is it theirs? What was entered by somebody is sent by nobody else. */
export function isMine({ person, by }: { person?: number | null; by: string }): boolean {
  const me = signedIn.value
  if (!me || me.open) return true
  if (!me.person) return false
  return person ? person === me.person.id : by === me.person.name
}
