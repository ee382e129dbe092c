import type { Workshop } from '../../core/record'
import type { Me } from '../../server/store/sessions'
import { useMe } from '../composables/useMe'
import { useWorkshop } from '../composables/useWorkshop'
import { forgetErased, keepAnswer } from '../offline/answers'
import { SERVED, signedIn } from '../signedIn'

/** Asks once, while the page is made, who asks and what stands for the workshop; a page without them still stands. */
export default defineNuxtPlugin(async ({ vueApp }) => {
  const me = useMe()
  if (import.meta.server) vueApp.provide(SERVED, me)
  const workshop = useWorkshop()
  if (useRoute().path.startsWith('/share/')) return
  const ask = useRequestFetch()
  me.value ??= await ask<Me>('/api/me').catch(() => null)
  if (import.meta.client) signedIn.value = me.value
  const known = me.value?.open || me.value?.person
  if (known) workshop.value ??= await ask<Workshop>('/api/workshop').catch(() => null)
  if (!import.meta.client || !known) return
  await forgetErased(me.value?.erased ?? '')
  // What came with the page was not asked for by it: it is kept for when the server is away.
  void keepAnswer('/api/me', me.value)
  if (workshop.value) void keepAnswer('/api/workshop', workshop.value)
})
