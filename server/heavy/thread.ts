import { constants, setPriority } from 'node:os'
import { workerData } from 'node:worker_threads'

/** What a lane is for: what somebody waits for, what takes long, what nobody waits for. */
export type LaneName = 'asked' | 'long' | 'behind'

/** What a lane tells its thread. */
export interface LaneData {
  umbrette: LaneName
}

/**
 * Which of the threads that work behind the server is this? None: the server itself, which may also run in a thread, as
 * it does while one works on it.
 */
export const laneHere = (workerData as Partial<LaneData> | null)?.umbrette ?? null

export const isLane = laneHere !== null

/**
 * Lets everything else go before a thread that nobody waits for. Only Linux ranks threads by themselves; elsewhere, and
 * where it is not allowed, it works as before.
 */
export function standBehind(): void {
  if (process.platform !== 'linux') return
  try {
    setPriority(0, constants.priority.PRIORITY_LOW)
  } catch {
    // Only slower for others.
  }
}
