import pg from 'pg'
import { log } from '../utils/log'

/** Channel on which PostgreSQL tells every server of a workshop what happened to a job. */
export const ACTS_CHANNEL = 'umbrette_acts'

/**
 * Something happened to a job: an act was kept at this place in the workshop's order, or (without one) its summary was
 * made anew, or (`part`) another part of it is open on its bench.
 */
export interface Happened {
  job: string
  place: number | null
  part?: string
}

const PAUSE_MS = 1000

const listeners = new Set<(happened: Happened | null) => void>()
let listening: { client: pg.Client } | null = null
let timer: NodeJS.Timeout | undefined

/**
 * Calls back whenever something happens to a job, by this server or another on the same database; with null where
 * something may have been missed. The one connection that listens is made with the first caller and made again when it
 * breaks.
 * @returns stops calling back
 */
export function onHappened(callback: (happened: Happened | null) => void): () => void {
  listeners.add(callback)
  if (!listening && timer === undefined) void listen()
  return () => {
    listeners.delete(callback)
  }
}

async function listen(): Promise<void> {
  timer = undefined
  const client = new pg.Client({
    // A pooler that gives out connections by transaction cannot listen: the one that does is made elsewhere then.
    connectionString: process.env.UMBRETTE_LISTEN_URL || process.env.DATABASE_URL,
    application_name: 'umbrette live',
    connectionTimeoutMillis: 5_000,
    keepAlive: true
  })
  const mine = (listening = { client })
  // A connection that breaks says so more than once; it is made again once.
  const again = (error?: Error) => {
    if (listening !== mine) return
    listening = null
    log.warn({ err: error }, 'the live connection broke')
    client.removeAllListeners()
    client.on('error', () => undefined)
    void client.end().catch(() => undefined)
    timer = setTimeout(() => void listen(), PAUSE_MS)
    timer.unref()
  }
  client.on('error', again)
  client.on('end', () => again())
  client.on('notification', ({ payload }) => tell(happenedOf(payload)))
  try {
    await client.connect()
    await client.query(`listen ${ACTS_CHANNEL}`)
    tell(null)
  } catch (error) {
    again(error as Error)
  }
}

function tell(happened: Happened | null): void {
  for (const callback of [...listeners]) callback(happened)
}

function happenedOf(payload = ''): Happened {
  const [job = '', place] = payload.split(' ')
  if (place?.startsWith('@')) return { job, place: null, part: place.slice(1) }
  return { job, place: place && place !== '-' ? Number(place) : null }
}
