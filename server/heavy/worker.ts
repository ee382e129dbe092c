import { parentPort } from 'node:worker_threads'
import { codeOf } from '../db/errors'
import { Problem } from '../utils/problem'
import { offerTasks } from './heavily'
import type { Answer } from './lane'
import { TASKS, type TaskName } from './tasks'

offerTasks(TASKS)

/** Runs what it is sent, one task at a time. */
let before = Promise.resolve()

parentPort!.on('message', (asked: { id: number; task: TaskName; args: never[] }) => {
  before = before.then(() => answer(asked))
})

async function answer({ id, task, args }: { id: number; task: TaskName; args: never[] }): Promise<void> {
  try {
    const result: unknown = await (TASKS[task] as (...args: never[]) => Promise<unknown>)(...args)
    parentPort!.postMessage({ id, result } satisfies Answer)
  } catch (error) {
    const problem = error instanceof Problem ? { code: error.code, said: error.said, faults: error.faults } : null
    parentPort!.postMessage({
      id,
      failed: {
        problem,
        message: String((error as Error | null)?.message ?? error).slice(0, 2000),
        code: codeOf(error)
      }
    } satisfies Answer)
  }
}
