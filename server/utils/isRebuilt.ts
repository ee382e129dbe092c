import { getQuery, type H3Event } from 'h3'

/** Is the engine asked for as it is once it is rebuilt? */
export function isRebuilt(event: H3Event): boolean {
  return getQuery(event).rebuilt === 'true'
}
