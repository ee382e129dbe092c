import { Lane, workerFile } from './lane'
import { type LaneName, laneHere } from './thread'
import type { Task, TaskName, Tasks } from './tasks'

let lanes: Record<LaneName, Lane> | null | undefined

function lanesOf(): Record<LaneName, Lane> | null {
  if (lanes !== undefined) return lanes
  const file = laneHere ? null : workerFile()
  lanes = file
    ? { asked: new Lane('asked', file), long: new Lane('long', file), behind: new Lane('behind', file) }
    : null
  return lanes
}

let offered: Tasks | null = null

/** Says what is to be done where there are no threads: in a thread itself, and in tests. */
export function offerTasks(tasks: Tasks): void {
  offered = tasks
}

/** Does work off the server's own thread, so that everybody else's requests are answered meanwhile. */
export async function heavily<T extends TaskName>(
  lane: LaneName,
  task: T,
  ...args: Parameters<Task<T>>
): Promise<Awaited<ReturnType<Task<T>>>> {
  const there = lanesOf()
  if (there) return (await there[lane].run(task, args)) as Awaited<ReturnType<Task<T>>>
  if (!offered) throw new Error('no tasks were offered: call offerTasks first')
  return (await (offered[task] as unknown as (...args: Parameters<Task<T>>) => ReturnType<Task<T>>)(
    ...args
  )) as Awaited<ReturnType<Task<T>>>
}
