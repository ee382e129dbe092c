import { told } from '../../words/problems'
import { defineEventHandler, getRequestHeader } from 'h3'
import { isWellFormed } from '../../core/check'
import { isForeign, isKnownHost } from '../access/hosts'
import { Problem } from '../utils/problem'
import { refuse } from '../utils/route'

/**
 * Who may come in: only requests for a name that is ours, as a page elsewhere can point a name of its own at this
 * machine; writes only from our own pages; and only addresses that can be read.
 */
export default defineEventHandler((event) => {
  const host = getRequestHeader(event, 'host') ?? ''
  if (!isKnownHost(host)) return refuse(event, new Problem('misdirected', told('foreign-name')))
  if (!isReadable(event.path)) return refuse(event, new Problem('bad-request', told('unreadable-address')))
  if (
    event.method !== 'GET' &&
    event.method !== 'HEAD' &&
    isForeign(getRequestHeader(event, 'origin'), getRequestHeader(event, 'sec-fetch-site'), host)
  ) {
    return refuse(event, new Problem('forbidden', told('foreign-site')))
  }
})

function isReadable(path: string): boolean {
  try {
    return path.length <= 8192 && isWellFormed(decodeURIComponent(path.replaceAll('+', ' ')))
  } catch {
    return false
  }
}
