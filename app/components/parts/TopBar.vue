<script setup lang="ts">
import { COMMON, TOP_BAR } from '../../../words/en'
import PersonPicker from './PersonPicker.vue'
import SaveState from './SaveState.vue'
import SignedIn from './SignedIn.vue'
import UnitPicker from './UnitPicker.vue'
import { computed } from 'vue'
import { useMe } from '../../composables/useMe'
import { pageNeed } from '../../needs'
import { mayAs } from '../../signedIn'

/** The head of every page; `places`: with the ways to the workshop's other pages. */
defineProps<{ places?: boolean }>()
const PLACES = [
  { to: '/customers', label: TOP_BAR.customers },
  { to: '/vehicles', label: TOP_BAR.vehicles },
  { to: '/engines', label: COMMON.engines },
  { to: '/learnt', label: TOP_BAR.learnt },
  { to: '/practice', label: COMMON.practice },
  { to: '/people', label: TOP_BAR.people },
  { to: '/settings', label: TOP_BAR.settings }
]
const me = useMe()
/** Those that lead somewhere for who is here. */
const open = computed(() =>
  PLACES.filter(({ to }) => {
    const need = pageNeed(to)
    return !me.value || (need && need !== 'anyone' && mayAs(me.value, need))
  })
)
</script>

<template>
  <header
    class="flex min-h-14 items-center gap-4 border-b border-rule bg-sheet px-4 max-md:flex-wrap max-md:gap-2 max-md:px-2">
    <NuxtLink to="/" :prefetch="false" class="flex min-h-11 items-center gap-2 font-bold" :aria-label="TOP_BAR.board">
      <svg width="26" height="26" viewBox="0 0 32 32" aria-hidden="true">
        <rect width="32" height="32" rx="3" class="fill-plate" />
        <path d="M7 25 11 8a5 5 0 0 1 9.800-.6L25 25" fill="none" class="stroke-scribe" stroke-width="1.600" />
        <circle cx="16" cy="9" r="3.200" fill="none" class="stroke-lit" stroke-width="1.800" />
        <circle cx="16" cy="24.500" r="2.200" fill="none" class="stroke-scribe" stroke-width="1.600" />
      </svg>
      {{ TOP_BAR.board }}
    </NuxtLink>
    <nav v-if="places" class="flex gap-1 text-lead max-lg:flex-wrap" :aria-label="TOP_BAR.places">
      <NuxtLink
        v-for="{ to, label } in open"
        :key="to"
        :to="to"
        class="flex min-h-11 items-center px-2 underline-offset-4 hover:underline"
        active-class="underline decoration-brass decoration-2"
        >{{ label }}</NuxtLink
      >
    </nav>
    <div class="min-w-0 flex-1">
      <slot />
    </div>
    <div class="text-note"><SaveState /></div>
    <slot name="acts" />
    <ClientOnly><UnitPicker class="max-md:hidden" /><SignedIn v-if="me?.person" /><PersonPicker v-else /></ClientOnly>
  </header>
</template>
