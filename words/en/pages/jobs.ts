import type { JobState, WaitsFor } from '../../../core/record'
import { texts } from '../../spoken'

/**
 * Where a job has gone: the title of that list, what was done to a job that went there, and what an empty list says.
 */
export const STATE_WORDS: Readonly<Record<JobState, { title: string; done: string; move: string; empty: string }>> =
  texts({
    open: {
      title: 'On the stands',
      done: 'open again',
      move: 'Open again',
      empty: 'No job is open. Start with a new one, or import a job file.'
    },
    closed: { title: 'Closed', done: 'closed', move: 'Close', empty: 'No job is closed yet.' },
    archived: {
      title: 'Archive',
      done: 'put in the archive',
      move: 'Put in the archive',
      empty: 'Nothing is in the archive.'
    },
    deleted: {
      title: 'Deleted',
      done: 'deleted; it can be opened again from the list of deleted jobs',
      move: 'Delete',
      empty: 'Nothing was deleted.'
    }
  })

/** What a job waits for, as the board says it and as it is chosen. */
export const WAITS_WORDS: Readonly<Record<WaitsFor, { says: string; choose: string }>> = texts({
  part: { says: 'Waits for a part', choose: 'Waits for a part …' },
  customer: { says: "Waits for the customer's word", choose: 'Waits for the customer …' },
  nothing: { says: 'Waits for nothing', choose: 'Waits no longer' }
})
