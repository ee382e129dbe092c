import { defineEventHandler, getRequestHeader, setResponseStatus } from 'h3'
import { Problem } from '../utils/problem'

/** A page of another site must not write here: browsers say where a request comes from. */
export default defineEventHandler((event) => {
  if (event.method === 'GET' || event.method === 'HEAD') return
  const origin = getRequestHeader(event, 'origin')
  const site = getRequestHeader(event, 'sec-fetch-site')
  const foreign = (origin !== undefined && safeHost(origin) !== getRequestHeader(event, 'host')) || site === 'cross-site'
  if (!foreign) return
  const problem = new Problem('forbidden', 'This request came from another site and was refused.')
  setResponseStatus(event, problem.status)
  return problem.body()
})

function safeHost(origin: string): string | null {
  return URL.canParse(origin) ? new URL(origin).host : null
}
