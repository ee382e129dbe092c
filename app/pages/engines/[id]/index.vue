<script setup lang="ts">
import { COMMON, ENGINE_PAGE, gapWords, namesOf, sayPartName } from '../../../../words/en'
import { computed } from 'vue'
import { closeChain, sheetGaps } from '../../../../core/drive'
import type { DriveSheet } from '../../../../core/sheet'
import type { FoundSheet } from '../../../../server/store/sheets'
import SheetFigures from '../../../components/engine/SheetFigures.vue'
import SheetMap from '../../../components/engine/SheetMap.vue'
import SheetWork from '../../../components/engine/SheetWork.vue'
import WhenAt from '../../../components/parts/WhenAt.vue'
import { fixDigits } from '../../../words'
import Caution from '../../../components/parts/Caution.vue'
import PageFrame from '../../../components/parts/PageFrame.vue'

/**
 * A drive sheet: its drawing, figures, limits with their source, operations and parts; what it leaves open, and its
 * revisions.
 */
const route = useRoute()
const revision = computed(() => (route.query.revision ? String(route.query.revision) : undefined))
const { data, error, refresh } = await useFetch<FoundSheet>(() => `/api/sheets/${String(route.params.id)}`, {
  deep: false,
  query: { revision }
})
const sheet = computed(() => data.value?.sheet ?? null)
const gaps = computed(() => {
  const at = sheet.value
  return at ? sheetGaps(at).map((gap) => gapWords(gap, namesOf(at))) : []
})
const closes = computed(() => (sheet.value ? closesOf(sheet.value) : []))

/** How each chain closes round the drive as it is new. */
function closesOf(of: DriveSheet): string[] {
  return of.chains.flatMap((chain) => {
    const at = closeChain(of, chain)
    return at ? [ENGINE_PAGE.linksOf(sayPartName(chain.name), fixDigits(at.links, 2), chain.links)] : []
  })
}
useHead({ title: () => ENGINE_PAGE.umbrette(sheet.value?.name ?? COMMON.engine) })
</script>

<template>
  <PageFrame :error="error" @retry="refresh()">
    <template v-if="data && sheet">
      <div class="mb-4 flex flex-wrap items-center gap-3">
        <div class="min-w-0">
          <h1 class="text-2xl font-bold">{{ sheet.name }}</h1>
          <p class="text-faint">
            {{ ENGINE_PAGE.cylindersCrankTurns(sheet.engine, sheet.rotation) }}
          </p>
        </div>
        <a
          :href="`/api/sheets/${sheet.id}/export?revision=${data.revision}`"
          download
          class="act ml-auto flex items-center"
          >{{ ENGINE_PAGE.export }}</a
        >
        <NuxtLink :to="`/engines/${sheet.id}/photo`" class="act flex items-center" :prefetch="false">{{
          ENGINE_PAGE.fromAPhoto
        }}</NuxtLink>
        <NuxtLink :to="`/engines/${sheet.id}/edit`" class="act-main flex items-center">{{
          ENGINE_PAGE.editOrCopy
        }}</NuxtLink>
      </div>
      <p v-if="data.revision !== data.newest" class="mb-3 border-l-4 border-brass bg-sheet p-3">
        {{ ENGINE_PAGE.thisIsRevision(data.revision) }}
        <NuxtLink :to="`/engines/${sheet.id}`" class="underline decoration-brass underline-offset-2">{{
          ENGINE_PAGE.seeTheNewest(data.newest)
        }}</NuxtLink>.
      </p>
      <p v-if="data.removed" class="mb-3 border-l-4 border-brass bg-sheet p-3">
        {{ ENGINE_PAGE.thisEngineWasTakenOff }}
      </p>
      <div class="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-6 max-lg:grid-cols-1">
        <div>
          <div class="h-[540px]">
            <ClientOnly><SheetMap :sheet="sheet" /></ClientOnly>
          </div>
          <p v-if="closes.length" class="mt-1 text-note text-faint">{{ ENGINE_PAGE.asNew(closes.join('; ')) }}</p>
        </div>
        <SheetFigures :sheet="sheet" />
      </div>
      <SheetWork :sheet="sheet" />
      <div class="mt-6 grid grid-cols-2 gap-6 max-md:grid-cols-1">
        <section v-if="gaps.length">
          <h2 class="label mb-1">{{ ENGINE_PAGE.whatItLeavesOpen }}</h2>
          <ul class="space-y-1 bg-sheet p-4">
            <li v-for="gap in gaps" :key="gap.missing">
              <b>{{ gap.missing }}.</b> {{ gap.meanwhile }}
            </li>
          </ul>
        </section>
        <section>
          <h2 class="label mb-1">{{ ENGINE_PAGE.revisions }}</h2>
          <ul class="bg-sheet p-4">
            <li v-for="one in data.revisions" :key="one.revision" class="flex min-h-11 items-center gap-3">
              <NuxtLink
                :to="`/engines/${sheet.id}?revision=${one.revision}`"
                class="figure underline decoration-brass underline-offset-2"
                >{{ one.revision }}</NuxtLink><span
                >{{ one.savedBy }}, <WhenAt :at="one.savedAt" /><template v-if="one.note"
                  >: {{ one.note }}</template
                ></span
              >
            </li>
          </ul>
        </section>
      </div>
      <Caution class="mt-4">{{ ENGINE_PAGE.theMakersManualForThis(sheet.note) }}</Caution>
    </template>
  </PageFrame>
</template>
