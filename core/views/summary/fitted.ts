import type { JobRecord } from '../../record'

/** The task that fits a component new. */
const FITTED = /^part:(.+):fitted$/

/** Components that were fitted new in a job, by their ids. */
export function fittedIn({ tasks }: Pick<JobRecord, 'tasks'>): string[] {
  return [...tasks.values()].flatMap(({ task, state }) => (state === 'done' ? (FITTED.exec(task)?.[1] ?? []) : []))
}
