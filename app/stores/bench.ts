import { useLocalStorage } from '@vueuse/core'
import { defineStore, skipHydrate } from 'pinia'
import { ref } from 'vue'
import { $fetch } from 'ofetch'

/** Who works here, and who is at the bench on this device. */
export const useBench = defineStore('bench', () => {
  const people = ref<string[]>([])
  const by = useLocalStorage('umbrette.by', '')

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
