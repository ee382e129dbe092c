import pg from 'pg'
import { Sequelize } from 'sequelize'
import { log } from '../utils/log'
import { fillDemo } from './demo'
import { alone, migrate } from './migrate'
import { defineModels } from './models'
import { outdateSummaries } from './rows'

/** A connection to a PostgreSQL database with the models bound to it. */
export function connect(url: string): Sequelize {
  const sequelize = new Sequelize(url, {
    dialect: 'postgres',
    dialectModule: pg,
    logging: false,
    pool: { max: 8, acquire: 10_000 },
    dialectOptions: { statement_timeout: 15_000, connectionTimeoutMillis: 5_000, application_name: 'umbrette' }
  })
  defineModels(sequelize)
  return sequelize
}

let ready: Promise<Sequelize> | null = null

/**
 * The database, migrated, and filled with the demo workshop where that is asked for. Every route awaits this one promise;
 * a failure ends a production server, so that whoever started it sees why.
 */
export function useDb(): Promise<Sequelize> {
  ready ??= open().catch((error: unknown) => {
    log.fatal({ err: error }, 'the database cannot be used')
    if (process.env.NODE_ENV === 'production') process.exit(1)
    throw error
  })
  return ready
}

async function open(): Promise<Sequelize> {
  const url = process.env.DATABASE_URL
  if (!url) throw new Error('DATABASE_URL is not set: start with ./umbrette start')
  const sequelize = connect(url)
  await alone(sequelize, async (transaction) => {
    await migrate(sequelize, transaction)
    await outdateSummaries(transaction)
    if (process.env.UMBRETTE_DEMO === '1') await fillDemo(transaction)
  })
  log.info('database ready')
  return sequelize
}
