<script setup lang="ts" generic="T extends string">
import { RadioGroup, RadioGroupLabel, RadioGroupOption } from '@headlessui/vue'

/** One of a few, each a touch target. */
defineProps<{ label: string; options: readonly { value: T; label: string; hint?: string }[] }>()
const chosen = defineModel<T>({ required: true })
defineSlots<{ picture?(props: { value: T }): unknown }>()
</script>

<template>
  <RadioGroup v-model="chosen">
    <RadioGroupLabel class="label">{{ label }}</RadioGroupLabel>
    <div class="mt-1 flex flex-wrap gap-1">
      <RadioGroupOption
        v-for="option in options"
        :key="option.value"
        v-slot="{ checked }"
        :value="option.value"
        as="template">
        <div
          class="grid min-h-11 min-w-fit flex-1 cursor-pointer place-content-center rounded-edge border px-2 text-center text-note leading-tight"
          :class="checked ? 'border-ink bg-ink text-sheet' : 'border-faint bg-sheet'">
          <slot name="picture" :value="option.value" />
          <span class="whitespace-nowrap">{{ option.label }}</span>
          <span
            v-if="option.hint"
            class="figure block whitespace-nowrap font-normal"
            :class="checked ? '' : 'text-faint'"
            >{{ option.hint }}</span
          >
        </div>
      </RadioGroupOption>
    </div>
  </RadioGroup>
</template>
