import { useDb } from '../db/connection'
import { keepSummaries } from '../store/summaries'

/** Migrates at start rather than at the first request; Nitro does not wait for it, the routes do. */
export default defineNitroPlugin(() => {
  useDb().then(() => keepSummaries(), () => undefined)
})
