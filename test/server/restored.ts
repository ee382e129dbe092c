import { afterAll, beforeAll, inject } from 'vitest'
import { restore } from '../../scripts/backup.mjs'
import { freshDatabase } from './database'

/** A workshop as an earlier version kept it, put back into a database of its own for the tests of one file. */
export interface Restored<Stores> {
  url: string
  /** Puts another backup in its place. */
  putBack(file: string): Promise<void>
  stores: Stores
}

/** @param load the stores, which take the database's address from the environment */
export function useRestored<Stores>(
  backup: string,
  load: () => Promise<Stores>,
  environment: Record<string, string> = {}
): Restored<Stores> {
  const restored = {} as Restored<Stores>
  let database: Awaited<ReturnType<typeof freshDatabase>>
  beforeAll(async () => {
    database = await freshDatabase(inject('databaseUrl'))
    restored.url = database.url
    restored.putBack = (file) => restore({ owner: database.url, admin: inject('databaseUrl') }, file)
    await restored.putBack(backup)
    Object.assign(process.env, {
      DATABASE_URL: database.url,
      UMBRETTE_DEMO: '0',
      UMBRETTE_LOG: 'silent',
      ...environment
    })
    const { offerTasks } = await import('../../server/heavy/heavily')
    offerTasks((await import('../../server/heavy/tasks')).TASKS)
    restored.stores = await load()
  })
  afterAll(async () => {
    await (await (await import('../../server/db/connection')).useDb()).close()
    await database.drop()
    for (const name of ['DATABASE_URL', ...Object.keys(environment)]) delete process.env[name]
  })
  return restored
}
