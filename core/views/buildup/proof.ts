import type { Task } from './plan'

const step = (id: string, text: string, cautions: string[] = []): Task => ({ id: `proof:${id}`, text, asks: 'nothing', must: false, cautions })

/** What the running engine must show before a job is proven. */
export const PROOF_TASKS: readonly Task[] = [
  step('first-start', 'First start: oil pressure came up, no noise beyond the first seconds', ['Nobody near belt and chain; stop at once if it knocks or no pressure comes up.']),
  step('noise', 'The noise it came for is gone, cold and warm'), step('codes', 'Codes cleared, none came back'), step('relearn', 'Relearn done where the maker asks for it'),
  step('leaks', 'No leaks, warm and after cooling'), step('oil-level', 'Oil level checked again warm')
]
