import type { JobSummary } from './summary'

/** Why a job needs someone now, the most pressing first. */
export const NEEDS_NOW = ['trouble', 'stop', 'renew', 'unread', 'next'] as const
export type NeedsNow = (typeof NEEDS_NOW)[number]

/** A job that needs someone, why, and of how many parts that holds. */
export interface Needed<J> {
  job: J
  why: NeedsNow
  parts: number
}

/** Jobs that are shown. */
const SHOWN = 3

type Listed = Pick<JobSummary, 'calls' | 'waits' | 'readings' | 'next' | 'lastAt'> & { trouble: boolean }

/** The jobs that need someone now: those that wait for nobody, the most pressing and longest untouched first. */
export function needsNow<J extends Listed>(jobs: readonly J[]): Needed<J>[] {
  return jobs
    .flatMap((job) => {
      const found = needOf(job)
      return found ? [{ job, ...found }] : []
    })
    .sort(
      (a, b) =>
        NEEDS_NOW.indexOf(a.why) - NEEDS_NOW.indexOf(b.why) || Date.parse(a.job.lastAt) - Date.parse(b.job.lastAt)
    )
    .slice(0, SHOWN)
}

function needOf({ trouble, waits, calls, readings, next }: Listed): { why: NeedsNow; parts: number } | null {
  const having = (call: string) => calls.find((one) => one.call === call)?.parts ?? 0
  if (trouble) return { why: 'trouble', parts: 0 }
  if (waits) return null
  if (readings === 0) return { why: 'unread', parts: 0 }
  if (having('stop') > 0) return { why: 'stop', parts: having('stop') }
  if (having('renew') > 0) return { why: 'renew', parts: having('renew') }
  return next ? { why: 'next', parts: 0 } : null
}
