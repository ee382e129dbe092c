import { told } from '../../words/problems'
import { existsSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { Worker } from 'node:worker_threads'
import { askedIn } from '../languages'
import { log } from '../utils/log'
import { Problem } from '../utils/problem'
import type { Task, TaskName } from './tasks'
import type { LaneData, LaneName } from './thread'

/** What a thread answers: a result, or what went wrong as it can be told across threads. */
export type Answer =
  | { id: number; result: unknown }
  | {
      id: number
      failed: { problem: Pick<Problem, 'code' | 'said' | 'faults'> | null; message: string; code: string | null }
    }

/** ms until a task is given up. */
const PATIENCE = 600_000
/** Tasks that may wait in a lane: more are refused rather than piled up. */
const MOST_WAITING = 200

interface Waiting {
  resolve: (result: unknown) => void
  reject: (error: Error) => void
  timer: NodeJS.Timeout
}

/**
 * A thread that works off the server's own, one task after another. It is started with the first task, and again when
 * it ended; a task that takes too long ends with it, and nobody else's.
 */
export class Lane {
  private worker: Worker | null = null
  private readonly waiting = new Map<number, Waiting>()
  private asked = 0

  constructor(
    private readonly name: LaneName,
    private readonly file: string
  ) {}

  run<T extends TaskName>(task: T, args: Parameters<Task<T>>): ReturnType<Task<T>> {
    if (this.waiting.size >= MOST_WAITING) throw new Problem('not-ready', told('machine-busy'))
    const id = ++this.asked
    return new Promise((resolve, reject) => {
      const timer = setTimeout(() => this.giveUp(new Problem('not-ready', told('took-too-long'))), PATIENCE)
      this.waiting.set(id, { resolve: resolve as Waiting['resolve'], reject, timer })
      this.started().postMessage({ id, task, args, language: askedIn() })
    }) as ReturnType<Task<T>>
  }

  private started(): Worker {
    if (this.worker) return this.worker
    const workerData: LaneData = { umbrette: this.name }
    const worker = new Worker(this.file, { name: this.name, env: process.env, workerData })
    worker.on('message', (answer: Answer) => this.settle(answer))
    worker.on('error', (error) => this.giveUp(error))
    worker.on('exit', () => this.worker === worker && this.giveUp(new Error(`the thread ${this.name} ended`)))
    worker.unref()
    this.worker = worker
    return worker
  }

  private settle(answer: Answer): void {
    const waiting = this.waiting.get(answer.id)
    if (!waiting) return
    clearTimeout(waiting.timer)
    this.waiting.delete(answer.id)
    if ('failed' in answer) waiting.reject(errorOf(answer.failed))
    else waiting.resolve(answer.result)
  }

  private giveUp(error: Error): void {
    log.error({ err: error, lane: this.name, waiting: this.waiting.size }, 'a thread was ended')
    const { worker } = this
    this.worker = null
    void worker?.terminate()
    for (const { reject, timer } of this.waiting.values()) {
      clearTimeout(timer)
      reject(error)
    }
    this.waiting.clear()
  }
}

function errorOf({ problem, message, code }: Extract<Answer, { failed: unknown }>['failed']): Error {
  return problem ? new Problem(problem.code, problem.said, problem.faults) : Object.assign(new Error(message), { code })
}

/**
 * The program of the threads, made with the build and lying beside it; null where there is none (in tests): then work
 * is done at once.
 */
export function workerFile(): string | null {
  const file = process.env.UMBRETTE_WORKER ?? join(dirname(process.argv[1] ?? '.'), 'heavy.mjs')
  return existsSync(file) ? file : null
}
