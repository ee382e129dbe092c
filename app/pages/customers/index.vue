<script setup lang="ts">
import { CUSTOMERS, INTAKE, VEHICLES } from '../../../words/en'
import { ref } from 'vue'
import type { CustomerFound } from '../../../server/db/queries/books'
import CustomerForm from '../../components/books/CustomerForm.vue'
import Field from '../../components/parts/Field.vue'
import { useSearch } from '../../composables/useSearch'
import PageFrame from '../../components/parts/PageFrame.vue'
import PagerRow from '../../components/parts/PagerRow.vue'
import ProblemNote from '../../components/parts/ProblemNote.vue'
import { may } from '../../signedIn'

/** The workshop's customers, found by anything that is known of them or of a vehicle of theirs. */
const { typed, search, page } = useSearch()
const adding = ref(false)
const { data, error, refresh } = await useFetch<{ rows: CustomerFound[]; total: number; pages: number }>(
  '/api/customers',
  { deep: false, query: { search, page } }
)
useHead({ title: CUSTOMERS.customersUmbrette })
</script>

<template>
  <PageFrame>
    <div class="mb-4 flex flex-wrap items-end gap-3">
      <h1 class="text-2xl font-bold">{{ CUSTOMERS.customers }}</h1>
      <Field
        v-model="typed"
        :label="CUSTOMERS.search"
        silent
        class="ml-auto w-96"
        type="search"
        :placeholder="CUSTOMERS.searchBy"
        maxlength="200"
        data-testid="search" />
      <ClientOnly>
        <NuxtLink v-if="may('foreman')" to="/intake" class="act flex items-center">{{ INTAKE.link }}</NuxtLink>
      </ClientOnly>
      <button type="button" class="act-main" @click="adding = true">{{ CUSTOMERS.add }}</button>
    </div>
    <ProblemNote v-if="error" :error="error" @retry="refresh()" />
    <ul v-else-if="data?.rows.length">
      <li v-for="customer in data.rows" :key="customer.id">
        <NuxtLink
          :to="`/customers/${customer.id}`"
          class="grid min-h-14 grid-cols-[minmax(0,1fr)_170px_minmax(0,1.2fr)] items-center gap-6 border-t border-rule bg-sheet px-5 py-3 hover:border-brass max-md:grid-cols-1 max-md:gap-1"
          data-testid="customer">
          <h2 class="truncate text-lg font-bold">{{ customer.name }}</h2>
          <p class="truncate">{{ customer.phone }}</p>
          <p class="truncate text-note text-faint">
            {{
              customer.vehicles
                .map(({ name, registration }) => [name, registration].filter(Boolean).join(' '))
                .join(', ') || CUSTOMERS.noVehicle
            }}
          </p>
        </NuxtLink>
      </li>
    </ul>
    <p v-else class="border-t border-rule bg-sheet p-8">{{ search ? CUSTOMERS.noneLike : CUSTOMERS.none }}</p>
    <PagerRow v-if="data" v-model="page" :pages="data.pages" :before="VEHICLES.before" :after="VEHICLES.further" />
    <CustomerForm v-model:open="adding" @kept="(id) => navigateTo(`/customers/${id}`)" />
  </PageFrame>
</template>
