import { wrap, type Remote } from 'comlink'
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
export async function assessInWorker(job: JobFile): Promise<Assessment> {
  running ??= start()
  // Reactive objects cannot be posted; a plain copy can.
  return Promise.race([running.estimator.assess(JSON.parse(JSON.stringify(job)) as JobFile), running.broken])
}
