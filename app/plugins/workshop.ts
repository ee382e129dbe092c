import { useWorkshop } from '../composables/useWorkshop'
import type { Workshop } from '../../core/record'

/** Asks once, while the page is made, what stands for the workshop; a page without it still stands. */
export default defineNuxtPlugin(async () => {
  const workshop = useWorkshop()
  if (workshop.value || useRoute().path.startsWith('/share/')) return
  workshop.value = await useRequestFetch()<Workshop>('/api/workshop').catch(() => null)
})
