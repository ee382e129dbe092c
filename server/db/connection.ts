import pg from 'pg'
import { CONSOLE } from '../../words/en/console'
import { Sequelize, type Transaction } from 'sequelize'
import { isLane } from '../heavy/thread'
import { log } from '../utils/log'
import { fillDemo } from './demo'
import { isPassing } from './errors'
import { alone, migrate } from './migrate'
import { bindTables } from './columns'
import { SettingRow } from './models'
import { grantUse } from './queries/schema'
import { outdateSummaries } from './rows'

/** Connections of the server's own thread, and of each that works behind it. */
const POOL = { main: 8, worker: 2 }

/**
 * A connection to a PostgreSQL database with the models bound to it.
 * @param patience ms that one statement may take; 0 for as long as it needs
 */
export function connect(url: string, patience = 15_000): Sequelize {
  const sequelize = new Sequelize(url, {
    dialect: 'postgres',
    dialectModule: pg,
    logging: false,
    pool: { max: isLane ? POOL.worker : POOL.main, acquire: 10_000 },
    dialectOptions: { statement_timeout: patience, connectionTimeoutMillis: 5_000, application_name: 'umbrette' }
  })
  bindTables(sequelize)
  return sequelize
}

let ready: Promise<Sequelize> | null = null

/**
 * The database, migrated, and filled with the demo workshop where that is asked for. Every route awaits this one
 * promise; a failure ends a production server, so that whoever started it sees why.
 */
export function useDb(): Promise<Sequelize> {
  ready ??= open().catch((error: unknown) => {
    log.fatal({ err: error }, 'the database cannot be used')
    // Who started the server reads what stands on standard error.
    console.error(CONSOLE.databaseUnusable(oneSentence(error)))
    if (process.env.NODE_ENV === 'production' && !isLane) process.exit(1)
    throw error
  })
  return ready
}

function oneSentence(error: unknown): string {
  const { message = '' } = (error ?? {}) as Error
  return message
    .replaceAll(/:\/\/[^@\s]*@/g, '://…@')
    .split('\n')[0]!
    .slice(0, 300)
}

async function open(): Promise<Sequelize> {
  const url = process.env.DATABASE_URL
  if (!url) throw new Error(CONSOLE.noDatabase)
  // A thread that works behind the server comes after it.
  if (!isLane) await prepare(process.env.UMBRETTE_OWNER_URL ?? url, url)
  return connect(url)
}

/** Brings the schema up to date as its owner, who may; requests come as somebody who may only use it. */
async function prepare(ownerUrl: string, url: string): Promise<void> {
  delete process.env.UMBRETTE_OWNER_URL
  const owner = connect(ownerUrl, 0)
  try {
    await alone(owner, async (transaction) => {
      await migrate(owner, transaction)
      await outdateSummaries(transaction)
      if (process.env.UMBRETTE_DEMO === '1') await fillDemo(transaction)
      if (ownerUrl !== url) await grantUse(owner, new URL(url).username, transaction)
    })
  } finally {
    await owner.close()
  }
  log.info('database ready')
}

/** Times a transaction is tried that others got in the way of. */
const TRIES = 5

/** Runs work in a transaction, again where it met another one that changed the same rows. */
export async function inTransaction<T>(work: (transaction: Transaction) => Promise<T>): Promise<T> {
  const db = await useDb()
  for (let attempt = 1; ; attempt++) {
    try {
      return await db.transaction(work)
    } catch (error) {
      if (!isPassing(error) || attempt === TRIES) throw error
      await new Promise((resolve) => setTimeout(resolve, 5 * attempt * (1 + Math.random())))
    }
  }
}

/**
 * Which fill of the database this is: a restore makes another, and what was remembered of the one before no longer
 * holds.
 */
export async function readGeneration(): Promise<string> {
  await useDb()
  const row = await SettingRow.findByPk('generation')
  return typeof row?.value === 'string' ? row.value : ''
}
