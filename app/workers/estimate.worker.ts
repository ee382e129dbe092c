import { expose } from 'comlink'
import { type Cause, explain, type Explanations } from '../../core/estimate'
import { assess, type Assessment } from '../../core/paths'
import type { JobFile } from '../../core/readings'

/** The core off the main thread: a job in, its assessment or what may explain it out. */
const estimator = {
  assess: (job: JobFile): Assessment => assess(job),
  explain: (job: JobFile, picked: Cause[]): Explanations[] => explain(job, picked)
}

export type Estimator = typeof estimator

expose(estimator)
