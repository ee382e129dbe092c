import { wrap, type Remote } from 'comlink'
import type { Cause, Explanations } from '../../core/estimate'
import type { Assessment } from '../../core/paths'
import type { JobFile } from '../../core/readings'
import type { Estimator } from '../workers/estimate.worker'

interface Running {
  estimator: Remote<Estimator>
  /** Rejects when the worker cannot be loaded or dies. */
  broken: Promise<never>
}

let running: Running | null = null

function start(): Running {
  const worker = new Worker(new URL('../workers/estimate.worker.ts', import.meta.url), { type: 'module' })
  const broken = new Promise<never>((_resolve, reject) => {
    worker.onerror = () => {
      running = null
      reject(new Error("the estimate's worker stopped"))
    }
  })
  broken.catch(() => undefined)
  return { estimator: wrap<Estimator>(worker), broken }
}

/** Loads the page's one web worker, so that it is there even when the server is away later. */
export function readyEstimator(): void {
  running ??= start()
}

/** Assesses a job in the web worker. @throws when the worker cannot run, or the job cannot be computed */
export function assessInWorker(job: JobFile): Promise<Assessment> {
  return askWorker((estimator) => estimator.assess(plain(job)))
}

/** What may explain a job's readings, weighed in the web worker. @throws when the worker cannot run */
export function explainInWorker(job: JobFile, picked: readonly Cause[]): Promise<Explanations[]> {
  return askWorker((estimator) => estimator.explain(plain(job), plain(picked) as Cause[]))
}

/** Reactive objects cannot be posted; plain copies can. */
const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

async function askWorker<T>(ask: (estimator: Remote<Estimator>) => Promise<T>): Promise<T> {
  running ??= start()
  return Promise.race([ask(running.estimator), running.broken])
}
