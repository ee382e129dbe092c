import type { H3Event } from 'h3'
import { suffices } from '../../core/record'
import type { Author } from '../store/acts'
import { callerOf, checkName, roleOf } from './caller'

/** Who enters the acts that a request brings. */
export async function enteredBy(event: H3Event): Promise<Author> {
  const caller = await callerOf(event)
  return { person: caller.person?.id ?? null, names: caller.person?.names ?? null, role: roleOf(caller) ?? 'learner' }
}

/**
 * The name that something is kept under: what was sent, where it is one's own; one's own where none was sent.
 * @throws Problem forbidden
 */
export async function signedBy(event: H3Event, name: string): Promise<string> {
  const { person } = await callerOf(event)
  if (!person) return name
  const by = name || person.name
  checkName(person.names, by)
  return by
}

/** The name of who brings a file: what was sent, where it is one's own. @throws Problem forbidden */
export async function broughtBy(event: H3Event, name = ''): Promise<string> {
  return (await signedBy(event, name.trim())) || 'import'
}

/** Whose own figures may be shown to who asks for somebody's: one's own, and a foreman everybody's (null). */
export async function shownTo(event: H3Event, asked: string): Promise<readonly string[] | null> {
  const caller = await callerOf(event)
  if (!caller.person) return [asked]
  return suffices(caller.person.role, 'foreman') ? null : caller.person.names
}
