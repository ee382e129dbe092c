<script setup lang="ts">
import { Listbox, ListboxButton, ListboxOption, ListboxOptions } from '@headlessui/vue'
import { UserIcon, ChevronUpDownIcon } from '@heroicons/vue/20/solid'
import { ref } from 'vue'
import { useBench } from '../../stores/bench'
import { shownProblem } from '../../problem'

/** Who is at the bench on this device; a name stands on every act. */
const bench = useBench()
const name = ref('')
const problem = ref('')

async function add() {
  if (!name.value.trim()) return
  try {
    await bench.add(name.value)
    name.value = ''
    problem.value = ''
  } catch (error) {
    problem.value = shownProblem(error).message
  }
}
</script>

<template>
  <Listbox v-model="bench.by" as="div" class="relative">
    <ListboxButton class="act flex items-center gap-2" :class="bench.by ? '' : 'border-brass'" data-testid="who">
      <UserIcon class="size-4" aria-hidden="true" />
      <span class="sr-only">At the bench:</span>
      {{ bench.by || 'Who is at the bench?' }}
      <ChevronUpDownIcon class="size-4" aria-hidden="true" />
    </ListboxButton>
    <ListboxOptions class="absolute right-0 z-30 mt-1 w-64 border border-faint bg-sheet p-1">
      <ListboxOption v-for="person in bench.people" :key="person" v-slot="{ active, selected }" :value="person" as="template">
        <li class="flex min-h-11 cursor-pointer items-center px-3" :class="[active ? 'bg-paper' : '', selected ? 'font-bold' : '']">{{ person }}</li>
      </ListboxOption>
      <li class="mt-1 flex gap-1 border-t border-rule pt-1" @keydown.stop>
        <input v-model="name" class="field" aria-label="Another first name" placeholder="Another first name" maxlength="40" @keydown.enter.prevent="add">
        <button type="button" class="act" @click="add">Add</button>
      </li>
      <li v-if="problem" class="p-2 text-renew" role="alert">{{ problem }}</li>
    </ListboxOptions>
  </Listbox>
</template>
