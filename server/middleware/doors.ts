import { told } from '../../words/problems'
import { defineEventHandler, getRequestHeader } from 'h3'
import { isWellFormed } from '../../core/check'
import { Problem } from '../utils/problem'
import { refuse } from '../utils/route'

/** Names this server is known by beside its own machine's, from UMBRETTE_HOSTS, with commas between. */
const KNOWN = new Set([
  '127.0.0.1',
  'localhost',
  '[::1]',
  ...(process.env.UMBRETTE_HOSTS ?? '')
    .split(',')
    .map((name) => name.trim().toLowerCase())
    .filter(Boolean)
])

/**
 * Who may come in: only requests for a name that is ours, as a page elsewhere can point a name of its own at this
 * machine;
 * writes only from our own pages; and only addresses that can be read.
 */
export default defineEventHandler((event) => {
  const host = getRequestHeader(event, 'host') ?? ''
  if (!KNOWN.has(nameOf(host))) return refuse(event, new Problem('misdirected', told('foreign-name')))
  if (!isReadable(event.path)) return refuse(event, new Problem('bad-request', told('unreadable-address')))
  if (
    event.method !== 'GET' &&
    event.method !== 'HEAD' &&
    isForeign(getRequestHeader(event, 'origin'), getRequestHeader(event, 'sec-fetch-site'), host)
  ) {
    return refuse(event, new Problem('forbidden', told('foreign-site')))
  }
})

/** The name in `name:port`, in lower case; of an address of version 6 with its brackets. */
function nameOf(host: string): string {
  return host.toLowerCase().replace(/:\d{1,5}$/, '')
}

function isForeign(origin: string | undefined, site: string | undefined, host: string): boolean {
  if (site !== undefined && site !== 'same-origin' && site !== 'none') return true
  return origin !== undefined && (!URL.canParse(origin) || new URL(origin).host !== host.toLowerCase())
}

function isReadable(path: string): boolean {
  try {
    return path.length <= 8192 && isWellFormed(decodeURIComponent(path.replaceAll('+', ' ')))
  } catch {
    return false
  }
}
