import { useLocalStorage } from '@vueuse/core'
import { defineStore, skipHydrate } from 'pinia'
import { computed, hasInjectionContext, inject, ref } from 'vue'
import { $fetch } from 'ofetch'
import { SERVED, signedIn } from '../signedIn'

/** Who works here, and who is at the bench on this device. */
export const useBench = defineStore('bench', () => {
  const people = ref<string[]>([])
  const chosen = useLocalStorage('umbrette.by', '')
  const served = hasInjectionContext() ? inject(SERVED, null) : null
  /** Who is signed in; where nobody has to be, the name chosen on this device. */
  const by = computed({
    get: () => (served ?? signedIn).value?.person?.name ?? chosen.value,
    set: (name) => (chosen.value = name)
  })

  async function load(): Promise<void> {
    people.value = await $fetch<string[]>('/api/people')
  }

  async function add(name: string): Promise<void> {
    const added = await $fetch<{ people: string[]; name: string }>('/api/people', { method: 'POST', body: { name } })
    people.value = added.people
    by.value = added.name
  }

  return { people, by: skipHydrate(by), load, add }
})
