import { wrap, type Remote } from 'comlink'
import type { Assessment } from '../../core/assess'
import type { JobFile } from '../../core/job/types'
import type { Estimator } from '../workers/estimate.worker'

let worker: Remote<Estimator> | null = null

/** Assesses a job in the page's one web worker. */
export async function assessInWorker(job: JobFile): Promise<Assessment> {
  worker ??= wrap<Estimator>(new Worker(new URL('../workers/estimate.worker.ts', import.meta.url), { type: 'module' }))
  // Reactive objects cannot be posted; a plain copy can.
  return worker.assess(JSON.parse(JSON.stringify(job)) as JobFile)
}
