import { expose } from 'comlink'
import { assess, type Assessment } from '../../core/paths'
import type { JobFile } from '../../core/readings'

/** The core off the main thread: a job in, its assessment out. */
const estimator = { assess: (job: JobFile): Assessment => assess(job) }

export type Estimator = typeof estimator

expose(estimator)
