import { randomBytes } from 'node:crypto'
import pg from 'pg'

/** Makes an empty database for one test file and returns its URL with a way to drop it. */
export async function freshDatabase(serverUrl: string): Promise<{ url: string; drop: () => Promise<void> }> {
  const name = `test_${randomBytes(6).toString('hex')}`
  await administer(serverUrl, `create database ${name}`)
  const url = new URL(serverUrl)
  url.pathname = `/${name}`
  return { url: url.href, drop: () => administer(serverUrl, `drop database ${name} with (force)`) }
}

async function administer(url: string, statement: string): Promise<void> {
  const client = new pg.Client({ connectionString: url })
  await client.connect()
  await client.query(statement)
  await client.end()
}
