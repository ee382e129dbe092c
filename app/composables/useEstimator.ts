import { wrap, type Remote } from 'comlink'
import type { Cause, Explanations } from '../../core/estimate'
import type { Assessment } from '../../core/paths'
import type { JobFile } from '../../core/readings'
import type { Estimator } from '../workers/estimate.worker'

interface Running {
  estimator: Remote<Estimator>
  /** Those who wait for an answer: told when the worker cannot be loaded or dies. */
  waiting: Set<(why: Error) => void>
}

let running: Running | null = null

function start(): Running {
  const worker = new Worker(new URL('../workers/estimate.worker.ts', import.meta.url), { type: 'module' })
  const waiting: Running['waiting'] = new Set()
  worker.onerror = () => {
    running = null
    for (const tell of waiting) tell(new Error("the estimate's worker stopped"))
  }
  return { estimator: wrap<Estimator>(worker), waiting }
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

/** Who waits is forgotten with the answer: one promise for all would hold every answer there was. */
function askWorker<T>(ask: (estimator: Remote<Estimator>) => Promise<T>): Promise<T> {
  const { estimator, waiting } = (running ??= start())
  return new Promise<T>((resolve, reject) => {
    waiting.add(reject)
    void ask(estimator)
      .then(resolve, reject)
      .finally(() => waiting.delete(reject))
  })
}
