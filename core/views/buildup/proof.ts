import type { Message } from '../../check'
import type { Task } from './plan'
import { caution, task } from './says'

const step = (id: string, says: Message, cautions: Message[] = []): Task => ({
  id: `proof:${id}`,
  says,
  asks: 'nothing',
  must: false,
  cautions
})

/** What the running engine must show before a job is proven. */
export const PROOF_TASKS: readonly Task[] = [
  step('first-start', task('first-start'), [caution('stop-at-once')]),
  step('noise', task('noise-gone')),
  step('codes', task('codes-cleared')),
  step('relearn', task('relearn')),
  step('leaks', task('no-leaks')),
  step('oil-level', task('oil-level-again'))
]
