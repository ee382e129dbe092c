import { computed } from 'vue'
import { currencyOf } from '../../core/paths'
import { useOpenJob } from '../stores/job'
import { useWorkshop } from './useWorkshop'

/** What the prices of the open job are in: as it was opened, else the workshop's. */
export function useCurrency() {
  const job = useOpenJob()
  const workshop = useWorkshop()
  return computed(() => currencyOf(job.file) || (workshop.value?.currency ?? ''))
}
