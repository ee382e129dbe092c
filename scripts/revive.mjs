// Starts a workshop's private database again after it ended: run by the server, which goes on meanwhile.
import { startPostgres } from './postgres.mjs'

try {
  await startPostgres(process.argv[2])
} catch {
  // The server tries again in a while.
  process.exitCode = 1
}
