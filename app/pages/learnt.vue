<script setup lang="ts">
import { midSentence, localeNow } from '../../words/spoken'
import { COMMON, LEARNT, OWN_PRIORS, sayPartName, thousands } from '../../words/en'
import { computed } from 'vue'
import type { TypeRate } from '../../core/views/learn'
import type { WorkshopLearnt } from '../../server/store/learning'
import type { Reached } from '../../core/estimate'
import CalibrationChart from '../components/learn/CalibrationChart.vue'
import OwnPriorsPanel from '../components/learn/OwnPriorsPanel.vue'
import SharedFigures from '../components/learn/SharedFigures.vue'
import CallMark from '../components/parts/CallMark.vue'
import { useBench } from '../stores/bench'
import { shownUsage } from '../units'
import { fixDigits, usageWords, USAGE_UNITS } from '../words'
import Panel from '../components/parts/Panel.vue'
import FigureTable from '../components/parts/FigureTable.vue'
import PageFrame from '../components/parts/PageFrame.vue'

/** What the workshop's jobs teach: how fast chains stretch, whether first estimates held, and what came back. */
const bench = useBench()
const { data, error, refresh } = await useFetch<WorkshopLearnt>('/api/learnt', { query: { by: bench.by }, deep: false })
useHead({ title: LEARNT.learntUmbrette })

/** Usage that a rate is told over. */
const PER = { km: 10_000, mi: 10_000, h: 100 } as const
function rateWords(rate: number, unit: TypeRate['unit']): string {
  const shown = shownUsage({ value: 1, unit })
  return fixDigits((100 * rate * PER[shown.unit]) / shown.value, 3)
}
const perWords = (unit: TypeRate['unit']) =>
  LEARNT.per(thousands(PER[shownUsage({ value: 1, unit }).unit]), USAGE_UNITS[shownUsage({ value: 1, unit }).unit])
/** Three digits: a forecast knows no more. */
const about = (value: number, unit: TypeRate['unit']) => usageWords({ value: Number(value.toPrecision(3)), unit })
const MONTH = new Intl.DateTimeFormat(localeNow(), { month: 'long', year: 'numeric', timeZone: 'UTC' })
function dueWords({ usage: { low, mean, high }, days }: Reached, unit: TypeRate['unit'], seenAt: string): string {
  const month = days ? MONTH.format(Date.parse(seenAt) + Math.max(0, days.mean) * 86_400_000) : null
  return LEARNT.due(about(mean, unit), about(low, unit), high === null ? null : about(high, unit), month)
}
const verdict = computed(() => {
  const { held, of } = data.value?.held ?? { held: 0, of: 0 }
  return of === 0 ? LEARNT.noChainHasBeenMeasured : LEARNT.held(held, of)
})
</script>

<template>
  <PageFrame :error="error" @retry="refresh()">
    <template v-if="data">
      <h1 class="mb-3 text-2xl font-bold">{{ LEARNT.whatTheJobsHaveTaught }}</h1>
      <div class="grid grid-cols-[minmax(0,1fr)_460px] gap-6 max-lg:grid-cols-1">
        <div class="space-y-4">
          <Panel v-for="type in data.types" :key="type.sheet + type.unit" data-testid="type-rate">
            <h2 class="text-lg font-bold">
              {{ type.sheet }}<span class="text-body font-normal text-faint">, {{ perWords(type.unit) }}</span>
            </h2>
            <p v-if="type.over">
              {{ LEARNT.overChains(type.engines.length) }}
              <span class="figure">{{ rateWords(type.over.mean, type.unit) }}</span>{{ LEARNT.ninetyBetween }}
              <span class="figure">{{ rateWords(type.over.low, type.unit) }}</span> {{ LEARNT.and }}
              <span class="figure">{{ rateWords(type.over.high, type.unit) }}</span>.
            </p>
            <FigureTable
              class="mt-1"
              :heads="[
                COMMON.engine,
                LEARNT.rate90,
                LEARNT.points,
                LEARNT.limitReachedAt,
                LEARNT.tensionersTravelEndsAt
              ]">
              <tr v-for="engine in type.engines" :key="engine.vehicleId + engine.chain">
                <td>
                  <NuxtLink
                    v-if="engine.vehicle"
                    :to="`/vehicles/${engine.vehicleId}`"
                    class="underline decoration-brass underline-offset-2"
                    >{{ engine.vehicle }}</NuxtLink><span v-else>{{ LEARNT.erased }}</span
                  ><span class="text-faint">, {{ midSentence(sayPartName(engine.chain)) }}</span>
                </td>
                <td class="figure">
                  {{ rateWords(engine.rate.mean, type.unit) }}
                  <span class="font-normal">{{
                    LEARNT.to2(rateWords(engine.rate.low, type.unit), rateWords(engine.rate.high, type.unit))
                  }}</span>
                </td>
                <td class="figure font-normal">{{ engine.points }}</td>
                <td class="figure font-normal">
                  {{ engine.limit ? dueWords(engine.limit, type.unit, engine.seenAt) : LEARNT.noLimit }}
                </td>
                <td class="figure font-normal">
                  {{ engine.travel ? dueWords(engine.travel, type.unit, engine.seenAt) : LEARNT.notByWear }}
                </td>
              </tr>
            </FigureTable>
          </Panel>
          <p v-if="data.types.length === 0" class="bg-sheet p-6">{{ LEARNT.noChainHasBeenMeasured2 }}</p>
        </div>
        <div class="space-y-4">
          <Panel :title="LEARNT.didFirstEstimatesHold" data-testid="calibration">
            <p>{{ verdict }}</p>
            <CalibrationChart v-if="data.calibration.length" :points="data.calibration" />
          </Panel>
          <h2 v-if="data.own.length" class="pt-2 text-lg font-bold">{{ OWN_PRIORS.title }}</h2>
          <OwnPriorsPanel v-for="own in data.own" :key="own.sheet.id" :own="own" />
          <SharedFigures :taken="data.takenIn" @changed="refresh()" />
          <Panel v-if="data.hours.length" :title="LEARNT.hoursTaken" data-testid="hours">
            <FigureTable :heads="[LEARNT.operation, LEARNT.onSheet, LEARNT.took, LEARNT.reckon]" :right-from="1">
              <tr v-for="row in data.hours.slice(0, 20)" :key="row.sheet + row.operation">
                <td>
                  {{ row.operation }}<span class="block text-note text-faint">{{ row.sheet }}</span>
                </td>
                <td class="figure text-right font-normal">{{ fixDigits(row.onSheet, 1) }}</td>
                <td class="figure text-right">
                  {{ fixDigits(row.mean, 1) }}<span class="font-normal"> ({{ row.jobs }})</span>
                </td>
                <td class="figure text-right font-normal">{{ fixDigits(row.reckon, 1) }}</td>
              </tr>
            </FigureTable>
            <p class="text-note text-faint">{{ LEARNT.hoursSays }}</p>
          </Panel>
          <Panel :title="LEARNT.whatCameBack" data-testid="came-back">
            <p class="text-note text-faint">
              {{ LEARNT.partsOfClosedJobsWhose }}
            </p>
            <FigureTable>
              <tr v-for="row in data.cameBack" :key="row.call">
                <td><CallMark :call="row.call" :size="18" /></td>
                <td class="figure">{{ LEARNT.of(row.back, row.parts) }}</td>
              </tr>
            </FigureTable>
          </Panel>
        </div>
      </div>
    </template>
  </PageFrame>
</template>
