import { useDebounceFn } from '@vueuse/core'
import { ref, watch } from 'vue'

/** Words typed to search a list by, a moment after they are; another search begins at its first page. */
export function useSearch() {
  const typed = ref('')
  const search = ref('')
  const page = ref(0)
  const look = useDebounceFn(() => (search.value = typed.value.trim()), 200)
  watch(typed, () => void look())
  watch(search, () => (page.value = 0))
  return { typed, search, page }
}
