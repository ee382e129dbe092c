import { ref } from 'vue'
import { shownProblem } from '../problem'

/** Does what may be refused, and says why: `problem` in words, `faults` by the field that each is about. */
export function useAttempt() {
  const problem = ref('')
  const faults = ref<Record<string, string>>({})
  const busy = ref(false)

  /** @returns was it done? */
  async function attempt(work: () => Promise<unknown>): Promise<boolean> {
    busy.value = true
    problem.value = ''
    faults.value = {}
    try {
      await work()
      return true
    } catch (error) {
      const shown = shownProblem(error)
      faults.value = Object.fromEntries(shown.faults.map(({ place, message }) => [place, message]))
      problem.value = shown.message
      return false
    } finally {
      busy.value = false
    }
  }

  return { problem, faults, busy, attempt }
}
