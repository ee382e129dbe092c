import { getRequestHeader, type H3Event } from 'h3'
import { isIP } from 'node:net'
import { told } from '../../words/problems'
import { Problem } from '../utils/problem'

/** The site that a passkey is for: the page's origin, which was looked at before, and its name. */
export interface Site {
  origin: string
  name: string
}

/** Where a page of ours stands that asks for a passkey. @throws Problem bad-input where it has no name of its own */
export function siteOf(event: H3Event): Site {
  const origin = getRequestHeader(event, 'origin') ?? ''
  const name = URL.canParse(origin) ? new URL(origin).hostname : ''
  if (name === '' || isIP(name.replaceAll(/[[\]]/g, '')) !== 0)
    throw new Problem('bad-input', told('passkey-needs-name'))
  return { origin, name }
}
