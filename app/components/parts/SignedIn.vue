<script setup lang="ts">
import { ROLE_WORDS, SIGNED_IN } from '../../../words/en'
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/vue'
import { ChevronUpDownIcon, UserIcon } from '@heroicons/vue/20/solid'
import { onMounted, ref } from 'vue'
import { signOut, takeOver } from '../../leaving'
import { useAttempt } from '../../composables/useAttempt'
import { listLeft, type SealedLeft } from '../../seal'
import { may, signedIn } from '../../signedIn'

/** Who is signed in, the way out, and what others left on this device. */
const left = ref<SealedLeft[]>([])
const { problem, attempt } = useAttempt()
const look = async () => (left.value = (await listLeft()).filter(({ waiting }) => waiting > 0))
onMounted(() => void look().catch(() => undefined))

const takeOverFrom = (person: number) =>
  attempt(async () => {
    await takeOver(person)
    await look()
  })
</script>

<template>
  <Popover v-if="signedIn?.person" as="div" class="relative">
    <PopoverButton class="act flex items-center gap-2" :class="left.length ? 'border-brass' : ''" data-testid="who">
      <UserIcon class="size-4" aria-hidden="true" />
      <span class="sr-only">{{ SIGNED_IN.atTheBench }}</span>
      {{ signedIn.person.name }}
      <ChevronUpDownIcon class="size-4" aria-hidden="true" />
    </PopoverButton>
    <PopoverPanel
      focus
      class="absolute right-0 z-30 mt-1 w-72 border border-faint bg-sheet p-3"
      data-testid="signed-in">
      <p>
        <b>{{ ROLE_WORDS[signedIn.person.role].name }}</b>: {{ ROLE_WORDS[signedIn.person.role].says }}
      </p>
      <div v-for="one in left" :key="one.person" class="mt-2 border-l-4 border-brass pl-2 text-note" data-testid="left">
        <p>{{ SIGNED_IN.left(one.name, one.waiting) }}</p>
        <button v-if="may('foreman')" type="button" class="act mt-1" @click="takeOverFrom(one.person)">
          {{ SIGNED_IN.takeOver }}
        </button>
        <p v-else>{{ SIGNED_IN.takesAForeman }}</p>
      </div>
      <p v-if="problem" class="mt-2 text-renew" role="alert">{{ problem }}</p>
      <NuxtLink to="/account" class="mt-2 flex min-h-11 items-center underline">{{ SIGNED_IN.yours }}</NuxtLink>
      <button type="button" class="act-main w-full" @click="signOut">
        {{ signedIn.device ? SIGNED_IN.handOver : SIGNED_IN.signOut }}
      </button>
    </PopoverPanel>
  </Popover>
</template>
