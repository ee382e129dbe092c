import pg from 'pg'
import { log } from '../utils/log'

/** Channel on which PostgreSQL tells every server of a workshop that a job has a new act. */
export const ACTS_CHANNEL = 'umbrette_acts'

const PAUSE_MS = 1000

const listeners = new Map<string, Set<() => void>>()
let listening: Promise<void> | null = null

/**
 * Calls back whenever a job has a new act, kept by this server or another on the same database. The one connection that
 * listens is made with the first caller and made again when it breaks; after that everybody is called, as something may
 * have been missed.
 * @returns stops calling back
 */
export function onAct(jobId: string, callback: () => void): () => void {
  const mine = listeners.get(jobId) ?? new Set()
  listeners.set(jobId, mine.add(callback))
  listening ??= listen()
  return () => {
    mine.delete(callback)
    if (mine.size === 0 && listeners.get(jobId) === mine) listeners.delete(jobId)
  }
}

async function listen(): Promise<void> {
  const client = new pg.Client({ connectionString: process.env.DATABASE_URL, application_name: 'umbrette live' })
  const again = (error?: Error) => {
    if (error) log.warn({ err: error }, 'the live connection broke')
    client.removeAllListeners()
    client.on('error', () => undefined)
    void client.end().catch(() => undefined)
    setTimeout(() => (listening = listen()), PAUSE_MS).unref()
  }
  client.on('error', again)
  client.on('notification', ({ payload }) => listeners.get(payload ?? '')?.forEach((callback) => callback()))
  try {
    await client.connect()
    await client.query(`listen ${ACTS_CHANNEL}`)
    for (const callbacks of listeners.values()) callbacks.forEach((callback) => callback())
  } catch (error) {
    again(error as Error)
  }
}
