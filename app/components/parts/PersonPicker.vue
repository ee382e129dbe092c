<script setup lang="ts">
import { COMMON, PERSON_PICKER } from '../../../words/en'
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/vue'
import { UserIcon, ChevronUpDownIcon } from '@heroicons/vue/20/solid'
import { ref } from 'vue'
import { useBench } from '../../stores/bench'
import { shownProblem } from '../../problem'

/** Who is at the bench on this device; a name stands on every act. */
const bench = useBench()
const name = ref('')
const problem = ref('')

async function add(close: () => void) {
  if (!name.value.trim()) return
  try {
    await bench.add(name.value.trim())
    name.value = ''
    problem.value = ''
    close()
  } catch (error) {
    problem.value = shownProblem(error).message
  }
}

function choose(person: string, close: () => void) {
  bench.by = person
  close()
}
</script>

<template>
  <Popover as="div" class="relative">
    <PopoverButton class="act flex items-center gap-2" :class="bench.by ? '' : 'border-brass'" data-testid="who">
      <UserIcon class="size-4" aria-hidden="true" />
      <span class="sr-only">{{ PERSON_PICKER.atTheBench }}</span>
      {{ bench.by || COMMON.whoIsAtTheBench }}
      <ChevronUpDownIcon class="size-4" aria-hidden="true" />
    </PopoverButton>
    <PopoverPanel
      v-slot="{ close }"
      focus
      class="absolute right-0 z-30 mt-1 w-64 border border-faint bg-sheet p-1"
      data-testid="people">
      <ul>
        <li v-for="person in bench.people" :key="person">
          <button
            type="button"
            class="min-h-11 w-full px-3 text-left hover:bg-paper focus-visible:bg-paper"
            :class="person === bench.by ? 'font-bold' : ''"
            :aria-pressed="person === bench.by"
            @click="choose(person, close)">
            {{ person }}
          </button>
        </li>
      </ul>
      <form class="mt-1 flex gap-1 border-t border-rule pt-1" novalidate @submit.prevent="add(close)">
        <input
          v-model="name"
          class="field"
          :aria-label="PERSON_PICKER.anotherFirstName"
          :placeholder="PERSON_PICKER.anotherFirstName"
          maxlength="40" />
        <button type="submit" class="act">{{ PERSON_PICKER.add }}</button>
      </form>
      <p v-if="problem" class="p-2 text-renew" role="alert">{{ problem }}</p>
    </PopoverPanel>
  </Popover>
</template>
