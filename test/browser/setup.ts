import { mkdirSync } from 'node:fs'
import { resolve } from 'node:path'
import { build } from '../../scripts/build.mjs'
import { startPostgres, stopPostgres } from '../../scripts/postgres.mjs'
import { startServer, stopServer } from '../../scripts/server.mjs'
import { freshDatabase } from '../server/database'

/** The production build and a PostgreSQL of the tests' own on loopback, with the demo workshop. */
export default async function setup() {
  const folder = resolve('.data/test-browser')
  mkdirSync(folder, { recursive: true })
  await build(resolve('.data'))
  const database = await freshDatabase(await startPostgres(folder, { fast: true }))
  const server = await startServer(folder, database.url, { first: 4580 })
  process.env.UMBRETTE_URL = server.address
  process.env.UMBRETTE_DATABASE = database.url
  return async () => {
    await stopServer(folder)
    await database.drop()
    await stopPostgres(folder)
  }
}
