import type { Sequelize } from 'sequelize'
import { afterAll, beforeAll, inject } from 'vitest'
import type { BoardPage, JobsAsked } from '../../server/store/board'
import { freshDatabase } from './database'

/** A demo workshop on a database of its own, for the tests of one file; filled in before the first of them. */
export interface Workshop {
  sequelize: Sequelize
  acts: typeof import('../../server/store/acts')
  board: typeof import('../../server/store/board')
  caller: typeof import('../../server/access/caller')
  checks: typeof import('../../server/store/checks')
  customers: typeof import('../../server/store/customers')
  past: typeof import('../../server/store/past')
  devices: typeof import('../../server/store/devices')
  estimates: typeof import('../../server/store/estimates')
  intakes: typeof import('../../server/store/intakes')
  jobs: typeof import('../../server/store/jobs')
  learning: typeof import('../../server/store/learning')
  learntFiles: typeof import('../../server/store/learntFiles')
  live: typeof import('../../server/live/listen')
  opening: typeof import('../../server/store/openJob')
  ownPriors: typeof import('../../server/store/ownPriors')
  people: typeof import('../../server/store/people')
  photos: typeof import('../../server/store/photos')
  practice: typeof import('../../server/store/practice')
  reports: typeof import('../../server/store/reports')
  sessions: typeof import('../../server/store/sessions')
  shares: typeof import('../../server/store/shares')
  sheets: typeof import('../../server/store/sheets')
  summaries: typeof import('../../server/store/summaries')
  vehicles: typeof import('../../server/store/vehicles')
}

export function useWorkshop(): Workshop {
  const workshop = {} as Workshop
  let database: Awaited<ReturnType<typeof freshDatabase>>
  beforeAll(async () => {
    database = await freshDatabase(inject('databaseUrl'))
    Object.assign(process.env, { DATABASE_URL: database.url, UMBRETTE_DEMO: '1', UMBRETTE_LOG: 'silent' })
    // Loaded only now: they take the database's address from the environment.
    const { useDb } = await import('../../server/db/connection')
    const { offerTasks } = await import('../../server/heavy/heavily')
    offerTasks((await import('../../server/heavy/tasks')).TASKS)
    Object.assign(workshop, {
      sequelize: await useDb(),
      acts: await import('../../server/store/acts'),
      board: await import('../../server/store/board'),
      caller: await import('../../server/access/caller'),
      checks: await import('../../server/store/checks'),
      customers: await import('../../server/store/customers'),
      past: await import('../../server/store/past'),
      devices: await import('../../server/store/devices'),
      estimates: await import('../../server/store/estimates'),
      intakes: await import('../../server/store/intakes'),
      jobs: await import('../../server/store/jobs'),
      learning: await import('../../server/store/learning'),
      learntFiles: await import('../../server/store/learntFiles'),
      live: await import('../../server/live/listen'),
      opening: await import('../../server/store/openJob'),
      ownPriors: await import('../../server/store/ownPriors'),
      people: await import('../../server/store/people'),
      photos: await import('../../server/store/photos'),
      practice: await import('../../server/store/practice'),
      reports: await import('../../server/store/reports'),
      sessions: await import('../../server/store/sessions'),
      shares: await import('../../server/store/shares'),
      sheets: await import('../../server/store/sheets'),
      summaries: await import('../../server/store/summaries'),
      vehicles: await import('../../server/store/vehicles')
    })
  })
  afterAll(async () => {
    await workshop.sequelize.close()
    await database.drop()
    delete process.env.DATABASE_URL
  })
  return workshop
}

/** A page of the board as a browser reads it. */
export async function readBoard(
  { boardText }: Pick<Workshop['board'], 'boardText'>,
  { page = 0, search = '', ...asked }: Pick<JobsAsked, 'state'> & Partial<JobsAsked>
): Promise<BoardPage> {
  return JSON.parse(await boardText({ page, search, ...asked })) as BoardPage
}
