import { computed, type ComputedRef } from 'vue'
import { NO_OWN_SUSPECTS, type OwnSuspects, type SuspectTable, withOwnSuspects } from '../../core/views/suspects'

/** The table that suspects are weighed by here: the one that ships until the workshop's own is known. */
export function useSuspectTable(): ComputedRef<SuspectTable> {
  const { data } = useFetch<OwnSuspects>('/api/suspects', { default: () => NO_OWN_SUSPECTS, deep: false })
  return computed(() => withOwnSuspects(data.value))
}
