<script setup lang="ts">
import { CUSTOMER } from '../../../words/en'
import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from '@headlessui/vue'
import { useDebounceFn } from '@vueuse/core'
import { $fetch } from 'ofetch'
import { ref } from 'vue'
import type { CustomerFound } from '../../../server/db/queries/books'
import Field from '../parts/Field.vue'

/** Whose it is: a known customer, found by name or phone, or the name of a new one (without an id). */
export interface PickedCustomer {
  id: string | null
  name: string
}
const picked = defineModel<PickedCustomer | null>({ required: true })
defineProps<{ label: string; fault?: string }>()
const found = ref<CustomerFound[]>([])
const typed = ref('')

const look = useDebounceFn(async () => {
  const search = typed.value.trim()
  found.value = search
    ? (await $fetch<{ rows: CustomerFound[] }>('/api/customers', { query: { search } })).rows.slice(0, 8)
    : []
}, 150)
function type(text: string) {
  typed.value = text
  picked.value = text.trim() ? { id: null, name: text.trim() } : null
  look().catch(() => (found.value = []))
}
function take(one: PickedCustomer) {
  picked.value = one
  typed.value = one.name
}
</script>

<template>
  <Field :label="label" :fault="fault">
    <template #default="{ control }">
      <Combobox :model-value="picked" as="div" class="relative" by="id" @update:model-value="take">
        <ComboboxInput
          v-bind="control"
          maxlength="120"
          autocomplete="off"
          :placeholder="CUSTOMER.find"
          :display-value="() => picked?.name ?? ''"
          @change="type($event.target.value)" />
        <ComboboxOptions
          v-if="typed.trim()"
          class="absolute z-30 mt-1 max-h-72 w-full overflow-y-auto border border-faint bg-sheet p-1">
          <ComboboxOption v-slot="{ active }" :value="{ id: null, name: typed.trim() }" as="template">
            <li class="min-h-11 cursor-pointer px-3 py-2" :class="active ? 'bg-paper' : ''">
              {{ CUSTOMER.newOne(typed.trim()) }}
            </li>
          </ComboboxOption>
          <ComboboxOption
            v-for="one in found"
            :key="one.id"
            v-slot="{ active }"
            :value="{ id: one.id, name: one.name }"
            as="template">
            <li class="min-h-11 cursor-pointer px-3 py-1" :class="active ? 'bg-paper' : ''">
              {{ one.name
              }}<span class="block text-note text-faint">{{
                [one.phone, ...one.vehicles.map(({ name }) => name)].filter(Boolean).slice(0, 3).join(', ')
              }}</span>
            </li>
          </ComboboxOption>
        </ComboboxOptions>
      </Combobox>
    </template>
  </Field>
</template>
