import { workerData } from 'node:worker_threads'

/** What a lane tells its thread. */
export const LANE = { umbrette: 'lane' } as const

/**
 * Is this one of the threads that work behind the server? A server may itself run in a thread, as it does while one
 * works on it.
 */
export const isLane = (workerData as Partial<typeof LANE> | null)?.umbrette === LANE.umbrette
