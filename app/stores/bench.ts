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
    people.value = await $fetch<string[]>('/api/people', { method: 'POST', body: { name } })
    by.value = name.trim()
  }

  return { people, by: skipHydrate(by), load, add }
})
