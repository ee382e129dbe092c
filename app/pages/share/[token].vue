<script setup lang="ts">
import { SHARE_PAGE } from '../../../words/en'
import { $fetch } from 'ofetch'
import { computed, ref } from 'vue'
import type { DrawnReport } from '../../../server/store/reports'
import ReportView from '../../components/report/ReportView.vue'
import { useLanguageOf } from '../../composables/useLanguage'
import { useAwake } from '../../composables/useAwake'
import { shownProblem } from '../../problem'
import FaultNote from '../../components/parts/FaultNote.vue'
import Field from '../../components/parts/Field.vue'

/**
 * What a customer sees behind a link: the report, the PDF, and a choice between the ways open. No way into the
 * workshop.
 */
definePageMeta({ layout: 'bare' })
const route = useRoute()
const base = `/api/share/${encodeURIComponent(String(route.params.token))}`
const { data, error } = await useFetch<DrawnReport & { expiresAt: string }>(base, { deep: false })
if (data.value) useLanguageOf(data.value.report.language ?? 'en')
const problem = computed(() => (error.value ? shownProblem(error.value) : null))
const awake = useAwake()
const chosen = ref(-1)
const name = ref('')
const failed = ref('')
const sent = ref(false)
useHead({
  title: () => (data.value ? SHARE_PAGE.timingDrive(data.value.report.vehicle) : SHARE_PAGE.report),
  meta: [
    { name: 'robots', content: 'noindex' },
    { name: 'referrer', content: 'no-referrer' }
  ]
})

async function send() {
  failed.value =
    chosen.value < 0 ? SHARE_PAGE.chooseOneOfTheWays : name.value.trim() === '' ? SHARE_PAGE.typeYourName : ''
  if (failed.value) return
  try {
    await $fetch(`${base}/choice`, { method: 'POST', body: { path: chosen.value, name: name.value } })
    sent.value = true
  } catch (failure) {
    failed.value = shownProblem(failure).answered
      ? shownProblem(failure).message
      : SHARE_PAGE.theWorkshopCannotBeReached
  }
}
</script>

<template>
  <main class="mx-auto max-w-4xl bg-sheet px-8 py-8 max-md:px-4">
    <section v-if="problem" role="alert">
      <h1 class="text-2xl font-bold">{{ problem.message }}</h1>
    </section>
    <template v-else-if="data">
      <p class="no-print mb-4 flex items-center gap-3">
        <span class="flex-1 text-note text-faint">{{ SHARE_PAGE.goodUntil(data.expiresAt.slice(0, 10)) }}</span><a
          :href="`${base}/report.pdf`"
          target="_blank"
          class="act flex items-center"
          >{{ SHARE_PAGE.pdf }}</a
        >
      </p>
      <ReportView :report="data.report" :map="data.map" :photo="(id) => `${base}/photos/${id}`" />
      <section v-if="data.report.paths.length" class="no-print mt-8 border-t-2 border-ink pt-4" data-testid="choose">
        <h2 class="text-xl font-bold">{{ SHARE_PAGE.yourChoice }}</h2>
        <p v-if="sent" role="status" class="mt-2 text-lg">
          <b>{{ name.trim() }}</b>
          {{
            SHARE_PAGE.choseAtTheWorkshopHas(data.report.paths[chosen]!.title, data.report.paths[chosen]!.priceWords)
          }}
        </p>
        <form v-else :inert="!awake" class="mt-2 space-y-2" @submit.prevent="send">
          <label
            v-for="(path, i) in data.report.paths"
            :key="i"
            class="flex min-h-12 items-center gap-3 border-t border-rule/60"
            ><input v-model="chosen" type="radio" name="path" :value="i" class="size-6 accent-ink" /><span
              class="flex-1"
              ><b>{{ path.title }}</b
              >: {{ path.names }}<span v-if="path.openWords" class="block text-note">{{ path.openWords }}</span></span
            ><span class="figure">{{ path.priceWords }}</span></label
          >
          <Field v-model="name" :label="SHARE_PAGE.yourName" class="max-w-sm" maxlength="80" autocomplete="name" />
          <FaultNote v-if="failed">{{ failed }}</FaultNote>
          <button type="submit" class="act-main">{{ SHARE_PAGE.tellTheWorkshop }}</button>
        </form>
      </section>
    </template>
  </main>
</template>
