import { parentPort, type MessagePort } from 'node:worker_threads'
import type { LanguageId } from '../../core/record'
import { codeOf } from '../db/errors'
import { Problem } from '../utils/problem'
import { speakAsAsked, speakingTo } from '../languages'
import { offerTasks } from './heavily'
import type { Answer } from './lane'
import { TASKS, type TaskName } from './tasks'
import { laneHere, standBehind } from './thread'

interface Asked {
  id: number
  task: TaskName
  args: never[]
  language: LanguageId
}

offerTasks(TASKS)
speakAsAsked()
if (laneHere === 'behind') standBehind()

const port = parentPort
if (!port) throw new Error('expected to be started as a thread')

/** Runs what it is sent, one task at a time. */
let before = Promise.resolve()

port.on('message', (asked: Asked) => {
  before = before.then(() => answer(port, asked))
})

async function answer(port: MessagePort, { id, task, args, language }: Asked): Promise<void> {
  try {
    const result: unknown = await speakingTo({ id: language }, () =>
      (TASKS[task] as (...args: never[]) => Promise<unknown>)(...args)
    )
    port.postMessage({ id, result } satisfies Answer)
  } catch (error) {
    const problem = error instanceof Problem ? { code: error.code, said: error.said, faults: error.faults } : null
    port.postMessage({
      id,
      failed: {
        problem,
        message: String((error as Error | null)?.message ?? error).slice(0, 2000),
        code: codeOf(error)
      }
    } satisfies Answer)
  }
}
