import { mkdirSync } from 'node:fs'
import { resolve } from 'node:path'
import type { TestProject } from 'vitest/node'
import { startPostgres, stopPostgres } from '../../scripts/postgres.mjs'

declare module 'vitest' {
  interface ProvidedContext {
    databaseUrl: string
  }
}

/** A PostgreSQL of the tests' own, unless DATABASE_URL names one. */
export default async function setup(project: TestProject) {
  const folder = resolve('.data/test')
  mkdirSync(folder, { recursive: true })
  project.provide('databaseUrl', process.env.DATABASE_URL ?? (await startPostgres(folder, { fast: true })))
  return async () => {
    if (!process.env.DATABASE_URL) await stopPostgres(folder)
  }
}
