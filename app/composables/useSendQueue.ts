import { ref } from 'vue'

const FIRST_PAUSE = 1000
const LONGEST_PAUSE = 15_000

/**
 * Sends what waits, the oldest first; stops at the first that does not get through and tries again later, later each
 * time.
 * @param next what is to be sent now; undefined when nothing waits
 * @param deliver sends it and takes it off the list; false when the server was not reached
 */
export function useSendQueue<T>(next: () => T | undefined, deliver: (one: T) => Promise<boolean>) {
  const sending = ref(false)
  const unreachable = ref(false)
  let pause = FIRST_PAUSE
  let timer: ReturnType<typeof setTimeout> | undefined

  async function flush(): Promise<void> {
    if (sending.value) return
    sending.value = true
    clearTimeout(timer)
    try {
      for (let one = next(); one !== undefined; one = next()) {
        unreachable.value = !(await deliver(one))
        if (unreachable.value) break
        pause = FIRST_PAUSE
      }
    } finally {
      sending.value = false
    }
    if (next() === undefined) return
    timer = setTimeout(() => void flush(), pause)
    pause = Math.min(2 * pause, LONGEST_PAUSE)
  }

  return { unreachable, flush }
}
