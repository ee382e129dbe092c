import { useDb } from '../db/connection'

/** Migrates at start rather than at the first request; Nitro does not wait for it, the routes do. */
export default defineNitroPlugin(() => {
  void useDb().catch(() => undefined)
})
