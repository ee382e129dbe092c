import { spawn } from 'node:child_process'
import { log } from '../utils/log'

/** ms between tries: a database that ended because its disk was full cannot start before there is room. */
const PAUSE = 10_000
let last = 0

/**
 * Starts the workshop's private database again where it has ended (a full disk ends it), in a process of its own. Does
 * nothing
 * where the database is not this installation's to start.
 */
export function reviveDatabase(): void {
  const folder = process.env.UMBRETTE_REVIVE
  if (!folder || Date.now() - last < PAUSE) return
  last = Date.now()
  log.warn('the database has ended and is started again')
  spawn(process.execPath, ['scripts/revive.mjs', folder], { stdio: 'ignore', detached: true })
    .on('error', () => undefined)
    .unref()
}
