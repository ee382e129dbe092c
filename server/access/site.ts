import { getRequestHeader, getRequestURL, type H3Event } from 'h3'
import { isIP } from 'node:net'
import { told } from '../../words/problems'
import { reachedAt } from './reached'
import { Problem } from '../utils/problem'

/** The site that a passkey is for: the page's origin, which was looked at before, and its name. */
export interface Site {
  origin: string
  name: string
}

/** Where a job opens on a phone: at the workshop's address in its network, else at the one that was asked. */
export function jobAddress(event: H3Event, id: string): string {
  return `${reachedAt().origin ?? getRequestURL(event).origin}/jobs/${id}`
}

/** Where a customer opens what was shared with them: at their own door, else at the address that was asked. */
export function shareAddress(event: H3Event, token: string): string {
  return `${reachedAt().customers ?? getRequestURL(event).origin}/share/${token}`
}

/** Where a page of ours stands that asks for a passkey. @throws Problem bad-input where it has no name of its own */
export function siteOf(event: H3Event): Site {
  const origin = getRequestHeader(event, 'origin') ?? ''
  const name = URL.canParse(origin) ? new URL(origin).hostname : ''
  if (name === '' || isIP(name.replaceAll(/[[\]]/g, '')) !== 0)
    throw new Problem('bad-input', told('passkey-needs-name'))
  return { origin, name }
}
