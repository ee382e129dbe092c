import { type Ref, ref } from 'vue'

/** Work that is done one at a time: asked for again while it runs, it is done once more with what stands then. */
export function oneAtATime(work: () => Promise<unknown>): { run: () => Promise<void>; busy: Ref<boolean> } {
  const busy = ref(false)
  let again = false
  async function run(): Promise<void> {
    again = true
    if (busy.value) return
    busy.value = true
    try {
      while (again) {
        again = false
        await work()
      }
    } finally {
      busy.value = false
    }
  }
  return { run, busy }
}
