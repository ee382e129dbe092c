<script setup lang="ts">
import { CUSTOMER, ERASING } from '../../../words/en'
import { $fetch } from 'ofetch'
import { ref } from 'vue'
import type { Customer } from '../../../server/store/customers'
import CustomerForm from '../../components/books/CustomerForm.vue'
import EraseCustomer from '../../components/books/EraseCustomer.vue'
import VehicleForm from '../../components/books/VehicleForm.vue'
import FaultNote from '../../components/parts/FaultNote.vue'
import PageFrame from '../../components/parts/PageFrame.vue'
import Panel from '../../components/parts/Panel.vue'
import WhenAt from '../../components/parts/WhenAt.vue'
import { useAttempt } from '../../composables/useAttempt'
import { may } from '../../signedIn'

/** A customer: how they are reached, their vehicles and their jobs. */
const route = useRoute()
const { data, error, refresh } = await useFetch<Customer>(() => `/api/customers/${String(route.params.id)}`, {
  deep: false
})
const changing = ref(false)
const adding = ref(false)
const erasing = ref(false)
const { problem, attempt } = useAttempt()
useHead({ title: () => CUSTOMER.umbrette(data.value?.name ?? CUSTOMER.customer) })

const remove = (removed: boolean) =>
  attempt(async () => {
    const path = `/api/customers/${String(route.params.id)}/removed`
    data.value = await $fetch<Customer>(path, { method: 'POST', body: { removed }, retry: 0 })
  })
</script>

<template>
  <PageFrame :error="error" @retry="refresh()">
    <template v-if="data">
      <div class="mb-4 flex flex-wrap items-start gap-3">
        <div class="min-w-0">
          <h1 class="text-2xl font-bold">{{ data.name }}</h1>
          <p v-if="data.removed" class="font-bold">{{ CUSTOMER.takenOut }}</p>
          <p v-if="data.phone">
            <a :href="`tel:${data.phone.replaceAll(/[^+\d]/g, '')}`" class="underline">{{ data.phone }}</a>
          </p>
          <p v-if="data.email">
            <a :href="`mailto:${encodeURIComponent(data.email)}`" class="underline">{{ data.email }}</a>
          </p>
          <p v-if="data.address" class="whitespace-pre-line text-faint">{{ data.address }}</p>
          <p v-if="data.note" class="max-w-2xl">{{ data.note }}</p>
        </div>
        <div class="ml-auto flex gap-2">
          <ClientOnly>
            <button v-if="may('owner')" type="button" class="act-bare" @click="erasing = true">
              {{ ERASING.erase }}
            </button>
            <button v-if="may('foreman')" type="button" class="act-bare" @click="remove(!data.removed)">
              {{ data.removed ? CUSTOMER.putBack : CUSTOMER.takeOut }}
            </button>
          </ClientOnly>
          <button type="button" class="act" @click="changing = true">{{ CUSTOMER.change }}</button>
        </div>
      </div>
      <FaultNote v-if="problem">{{ problem }}</FaultNote>
      <Panel :title="CUSTOMER.vehicles">
        <ul class="mt-2">
          <li v-for="vehicle in data.vehicles" :key="vehicle.id" class="border-t border-rule/60">
            <NuxtLink :to="`/vehicles/${vehicle.id}`" class="flex min-h-12 items-center gap-3 hover:underline">
              <b>{{ vehicle.name }}</b>
              <span>{{ vehicle.registration }}</span>
              <span class="text-faint">{{ vehicle.model }}</span>
            </NuxtLink>
          </li>
        </ul>
        <p v-if="data.vehicles.length === 0" class="text-note text-faint">{{ CUSTOMER.noVehicle }}</p>
        <button type="button" class="act mt-2" @click="adding = true">{{ CUSTOMER.addVehicle }}</button>
      </Panel>
      <Panel class="mt-6" :title="CUSTOMER.jobs">
        <ul class="mt-2">
          <li v-for="job in data.jobs" :key="job.id" class="border-t border-rule/60">
            <NuxtLink :to="`/jobs/${job.id}`" class="flex min-h-12 items-center gap-3 hover:underline">
              <b>{{ job.vehicle }}</b>
              <span class="min-w-0 flex-1 truncate">{{ job.complaint }}</span>
              <span class="text-note text-faint"><WhenAt :at="job.openedAt" /></span>
            </NuxtLink>
          </li>
        </ul>
        <p v-if="data.jobs.length === 0" class="text-note text-faint">{{ CUSTOMER.noJob }}</p>
      </Panel>
      <EraseCustomer v-if="erasing" v-model:open="erasing" :customer="data" />
      <CustomerForm v-model:open="changing" :customer="data" @kept="refresh()" />
      <VehicleForm
        v-model:open="adding"
        :customer="{ id: data.id, name: data.name }"
        @kept="(id) => navigateTo(`/vehicles/${id}`)" />
    </template>
  </PageFrame>
</template>
