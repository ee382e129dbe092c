import { type InjectionKey, type Ref, shallowRef } from 'vue'
import { type Role, suffices } from '../core/record'
import type { Me } from '../server/store/sessions'

/** Who is signed in on this device; null on the server, and until it is known. */
export const signedIn = shallowRef<Me | null>(null)

/** The same while the server makes a page, for each request its own. */
export const SERVED: InjectionKey<Ref<Me | null>> = Symbol('served')

/** Is it theirs? What was entered by somebody is sent by nobody else. */
export function isMine({ person, by }: { person?: number | null; by: string }): boolean {
  const me = signedIn.value
  if (!me || me.open) return true
  if (!me.person) return false
  return person ? person === me.person.id : by === me.person.name
}

/** May they do what a role may? On an open workshop everybody may everything. */
export function mayAs(me: Me | null, needed: Role): boolean {
  return me !== null && (me.open || suffices(me.person?.role ?? null, needed))
}

/** May who is signed in on this device do what a role may? */
export function may(needed: Role): boolean {
  return mayAs(signedIn.value, needed)
}
