<script setup lang="ts">
import { COMMON, COUNTS_FIELD } from '../../../words/en'
import { computed } from 'vue'
import { numberOf } from '../bench/draft'
import { listNamed } from './listNamed'
import type { Draft } from './useSheetDraft'

/** Links from each mark to the next, for the runs that the chain's path gives, and what they add up to. */
const props = defineProps<{ chain: Record<string, unknown>; draft: Draft }>()
const emit = defineEmits<{ change: [counts: { from: string; to: string; links: unknown }[]] }>()

interface Count {
  from: string
  to: string
  links: unknown
}
const sprockets = computed(() => listNamed(props.draft, ['sprockets']))
const counts = computed(() => (props.chain.counts as Count[] | undefined) ?? [])
const runs = computed(() => {
  const on = ((props.chain.path as string[] | undefined) ?? []).filter((id) =>
    sprockets.value.some(({ value }) => value === id)
  )
  return on.length < 2 ? [] : on.map((from, i) => ({ from, to: on[(i + 1) % on.length]! }))
})
const linksOf = ({ from, to }: { from: string; to: string }) =>
  counts.value.find((c) => c.from === from && c.to === to)?.links ?? ''
const sum = computed(() => runs.value.reduce((total, run) => total + (Number(linksOf(run)) || 0), 0))
const labelOf = (id: string) => sprockets.value.find(({ value }) => value === id)?.label ?? id

function change(run: { from: string; to: string }, typed: string) {
  const next = runs.value.map((one) => ({
    ...one,
    links:
      one.from === run.from && one.to === run.to
        ? typed.trim() === ''
          ? ''
          : (numberOf(typed) ?? typed)
        : linksOf(one)
  }))
  emit(
    'change',
    next.filter(({ links }) => links !== '')
  )
}
</script>

<template>
  <div class="mt-1 grid gap-1">
    <p v-if="runs.length === 0" class="text-faint">{{ COUNTS_FIELD.layThePathFirst }}</p>
    <label v-for="run in runs" :key="`${run.from} ${run.to}`" class="flex items-center gap-3"
      ><input
        class="figure field max-w-24"
        inputmode="numeric"
        maxlength="5"
        :value="String(linksOf(run))"
        @change="change(run, ($event.target as HTMLInputElement).value)" /><span>{{
        COMMON.to(labelOf(run.from), labelOf(run.to))
      }}</span></label
    >
    <p v-if="runs.length" class="text-note" :class="sum === Number(chain.links) ? 'text-faint' : 'font-bold'">
      {{ COUNTS_FIELD.together }} <span class="figure">{{ sum }}</span>
      {{ COUNTS_FIELD.ofLinks(String(chain.links || '?')) }}
    </p>
  </div>
</template>
