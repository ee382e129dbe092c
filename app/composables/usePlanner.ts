import { proxy, wrap, type Remote } from 'comlink'
import { onUnmounted } from 'vue'
import type { Assessment, OwnPath, PartialWay, Paths } from '../../core/paths'
import type { Tax } from '../../core/money'
import type { SchoolDifference } from '../../core/views/verdict'
import type { JobFile } from '../../core/readings'
import type { Planner } from '../workers/paths.worker'

/** Weighing repair paths in a worker of its own; it ends with the page, or when it is called off. */
export function usePlanner() {
  let worker: Worker | null = null
  let planner: Remote<Planner> | null = null

  function remote(): Remote<Planner> {
    worker ??= new Worker(new URL('../workers/paths.worker.ts', import.meta.url), { type: 'module' })
    return (planner ??= wrap<Planner>(worker))
  }

  /** Ends what is being weighed; the next question starts anew. */
  function callOff(): void {
    worker?.terminate()
    worker = planner = null
  }
  onUnmounted(callOff)

  // Reactive objects cannot be posted; plain copies can.
  const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T
  return {
    callOff,
    paths: (job: JobFile, assessment: Assessment, progress: (done: number) => void): Promise<Paths | null> =>
      remote().paths(plain(job), plain(assessment), proxy(progress)),
    own: (job: JobFile, assessment: Assessment, renew: string[]): Promise<OwnPath> =>
      remote().own(plain(job), plain(assessment), plain(renew)),
    partial: (job: JobFile, assessment: Assessment): Promise<PartialWay[]> =>
      remote().partial(plain(job), plain(assessment)),
    taxed: (
      job: JobFile,
      assessment: Assessment,
      sets: readonly (readonly string[])[],
      money: { tax: Tax; currency: string }
    ): Promise<Record<string, string>> => remote().taxed(plain(job), plain(assessment), plain(sets), plain(money)),
    others: (job: JobFile, assessment: Assessment): Promise<SchoolDifference[]> =>
      remote().others(plain(job), plain(assessment))
  }
}
