import { computed, type ComputedRef } from 'vue'
import { type NearJump, nearJumps } from '../../core/estimate'
import { useOpenJob } from '../stores/job'

/** How near the chains of the open job are to jumping, by what its readings say. */
export function useNearJump(): ComputedRef<NearJump[]> {
  const job = useOpenJob()
  return computed(() => (job.file ? nearJumps(job.file, job.assessment) : []))
}
