import { mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { build } from '../../scripts/build.mjs'
import { startPostgres, stopPostgres } from '../../scripts/postgres.mjs'
import { startServer, stopServer } from '../../scripts/server.mjs'
import { freshDatabase } from '../server/database'

/** The production build and a PostgreSQL of the tests' own on loopback, with the demo workshop. */
export default async function setup() {
  const folder = resolve('.data/test-browser')
  mkdirSync(folder, { recursive: true })
  rmSync(join(folder, 'server.log'), { force: true })
  await build(resolve('.data'))
  const database = await freshDatabase(await startPostgres(folder, { fast: true }))
  const server = await startServer(folder, database.url, { first: 4580 })
  process.env.UMBRETTE_URL = server.address
  process.env.UMBRETTE_DATABASE = database.url
  return async () => {
    await stopServer(folder)
    tellFailures(join(folder, 'server.log'))
    await database.drop()
    await stopPostgres(folder)
  }
}

/** Failures inside the server, which no page may show, for whoever reads why a test failed. */
function tellFailures(log: string): void {
  const failures = readFileSync(log, 'utf8')
    .split('\n')
    .filter((line) => line.startsWith('{"level":50'))
  if (failures.length > 0)
    console.log(
      `The server failed ${failures.length} times inside; the first:\n${failures
        .slice(0, 5)
        .map((line) => line.slice(0, 800))
        .join('\n')}`
    )
}
