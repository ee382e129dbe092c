import { computed, type ComputedRef, shallowRef } from 'vue'
import type { NearJump, nearJumps } from '../../core/estimate'
import { loadLater } from '../later'
import { useOpenJob } from '../stores/job'

/** What computes it comes once the page stands: no page waits for it. */
const compute = shallowRef<typeof nearJumps | null>(null)
loadLater(async () => {
  compute.value = (await import('../nearJump')).nearJumps
})

/** How near the chains of the open job are to jumping, by what its readings say. */
export function useNearJump(): ComputedRef<NearJump[]> {
  const job = useOpenJob()
  return computed(() => (job.file && compute.value ? compute.value(job.file, job.assessment) : []))
}
