import type { Sequelize } from 'sequelize'
import { afterAll, beforeAll, inject } from 'vitest'
import { freshDatabase } from './database'

/** A demo workshop on a database of its own, for the tests of one file; filled in before the first of them. */
export interface Workshop {
  sequelize: Sequelize
  jobs: typeof import('../../server/store/jobs')
  board: typeof import('../../server/store/board')
  photos: typeof import('../../server/store/photos')
  live: typeof import('../../server/live/listen')
}

export function useWorkshop(): Workshop {
  const workshop = {} as Workshop
  let database: Awaited<ReturnType<typeof freshDatabase>>
  beforeAll(async () => {
    database = await freshDatabase(inject('databaseUrl'))
    Object.assign(process.env, { DATABASE_URL: database.url, UMBRETTE_DEMO: '1', UMBRETTE_LOG: 'silent' })
    // Loaded only now: they take the database's address from the environment.
    const { useDb } = await import('../../server/db/connection')
    Object.assign(workshop, {
      sequelize: await useDb(), jobs: await import('../../server/store/jobs'), board: await import('../../server/store/board'),
      photos: await import('../../server/store/photos'), live: await import('../../server/live/listen')
    })
  })
  afterAll(async () => {
    await workshop.sequelize.query("select pg_terminate_backend(pid) from pg_stat_activity where application_name = 'umbrette live' and datname = current_database()")
    await workshop.sequelize.close()
    await database.drop()
    delete process.env.DATABASE_URL
  })
  return workshop
}
