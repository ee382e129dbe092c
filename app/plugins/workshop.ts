import type { Workshop } from '../../core/record'
import type { Me } from '../../server/store/sessions'
import { useMe } from '../composables/useMe'
import { useWorkshop } from '../composables/useWorkshop'
import { signedIn } from '../signedIn'

/** Asks once, while the page is made, who asks and what stands for the workshop; a page without them still stands. */
export default defineNuxtPlugin(async () => {
  const me = useMe()
  const workshop = useWorkshop()
  if (useRoute().path.startsWith('/share/')) return
  const ask = useRequestFetch()
  me.value ??= await ask<Me>('/api/me').catch(() => null)
  if (import.meta.client) signedIn.value = me.value
  if (workshop.value || !(me.value?.open || me.value?.person)) return
  workshop.value = await ask<Workshop>('/api/workshop').catch(() => null)
})
