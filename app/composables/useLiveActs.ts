import { useEventListener } from '@vueuse/core'
import { $fetch } from 'ofetch'
import { onScopeDispose } from 'vue'
import { useJob } from '../stores/job'
import type { Delivered } from '../stores/outbox'
import { useLive } from './useLive'

/** Places asked for at once, and acts that the server tells at once. */
const AT_ONCE = 100
const A_PAGE = 1000
/** ms between tries while the server cannot be reached. */
const FIRST_PAUSE = 1000
const LONGEST_PAUSE = 15_000

/** Shows what others do on the same job within a second or two. */
export function useLiveActs(): void {
  const job = useJob()
  /** Places that are not here yet; null: everything that is new. */
  let wanted: Set<number> | null = new Set()
  let asking = false
  let pause = FIRST_PAUSE
  let timer: ReturnType<typeof setTimeout> | undefined
  onScopeDispose(() => clearTimeout(timer))

  useLive((happened) => {
    if (happened === null) wanted = null
    else {
      const { job: of, place } = happened
      if (of !== job.id || place === null || job.holds(place)) return
      wanted?.add(place)
    }
    void ask()
  })

  useEventListener('online', () => void ask())

  async function ask(): Promise<void> {
    if (asking || !job.id) return
    asking = true
    try {
      while (wanted === null || wanted.size > 0) {
        const query = wanted === null ? { after: job.lastSeq() } : { places: [...wanted].slice(0, AT_ONCE).join() }
        const asked = wanted
        wanted = new Set(asked === null ? [] : [...asked].slice(AT_ONCE))
        const { id } = job
        const acts = await $fetch<Delivered[]>(`/api/jobs/${id}/acts`, { query, retry: 0 })
        job.confirm(id, ...acts)
        if (asked === null && acts.length >= A_PAGE) wanted = null
      }
      pause = FIRST_PAUSE
    } catch {
      // Asked for again until it comes: whatever is new by then.
      wanted = null
      clearTimeout(timer)
      timer = setTimeout(() => void ask(), pause)
      pause = Math.min(2 * pause, LONGEST_PAUSE)
    } finally {
      asking = false
    }
  }
}
