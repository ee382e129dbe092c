<script setup lang="ts">
import { midSentence } from '../../../../words/spoken'
import {
  COMMON,
  DEBRIEF_PAGE,
  faultWords,
  inspectionWords,
  sayLesson,
  sayReason,
  shownWords,
  standingName
} from '../../../../words/en'
import { useClipboard } from '@vueuse/core'
import { computed } from 'vue'
import type { KeptRun } from '../../../../server/store/practice'
import CallMark from '../../../components/parts/CallMark.vue'
import { minutesWords } from '../../../components/practice/words'
import { fixDigits, money } from '../../../words'
import Panel from '../../../components/parts/Panel.vue'
import FigureTable from '../../../components/parts/FigureTable.vue'
import PageFrame from '../../../components/parts/PageFrame.vue'

/** The debriefing: what was wrong, what each look was worth, calls beside the right ones, and what to take along. */
const route = useRoute()
const { data, error, refresh } = await useFetch<KeptRun>(() => `/api/practice/runs/${String(route.params.id)}`, {
  deep: false
})
useHead({ title: () => DEBRIEF_PAGE.theTruthUmbrette(data.value?.title ?? COMMON.practice) })
const it = computed(() => data.value?.debriefing ?? null)
const name = (part: string) => it.value?.names[part] ?? standingName(part)
const { copy, copied } = useClipboard({ legacy: true })
const faults = computed(() => it.value?.wrong.filter(({ trap }) => !trap) ?? [])
const traps = computed(() => it.value?.wrong.filter(({ trap }) => trap) ?? [])
const bars = computed(() =>
  it.value
    ? [
        { name: DEBRIEF_PAGE.minutes, yours: it.value.minutes.yours, best: it.value.minutes.best, words: minutesWords },
        { name: DEBRIEF_PAGE.billNow, yours: it.value.bill.yours.now, best: it.value.bill.best.now, words: price },
        {
          name: DEBRIEF_PAGE.whatItWillCostLater,
          yours: it.value.bill.yours.later,
          best: it.value.bill.best.later,
          words: price
        }
      ]
    : []
)

function price(amount: number): string {
  return money(amount, it.value?.bill.currency ?? '')
}
</script>

<template>
  <PageFrame :error="error" @retry="refresh()">
    <template #head
      ><h1 class="truncate font-bold">{{ DEBRIEF_PAGE.theTruth(data?.title ?? COMMON.practice) }}</h1></template
    >
    <template v-if="data && it">
      <div class="grid grid-cols-[minmax(0,1fr)_420px] gap-6 max-lg:grid-cols-1">
        <div class="space-y-5">
          <Panel tone="plate" :label="DEBRIEF_PAGE.whatWasWrong">
            <div v-for="fault in faults" :key="fault.id" class="mb-3" data-testid="truth">
              <h2 class="text-xl font-bold">
                {{ faultWords(fault.id).name
                }}<span class="text-lead font-normal"
                  >, {{ fault.missed ? DEBRIEF_PAGE.missed : DEBRIEF_PAGE.found }}</span
                >
              </h2>
              <p>{{ faultWords(fault.id).lesson }}</p>
            </div>
            <p v-if="faults.length === 0" class="text-xl font-bold">
              {{ DEBRIEF_PAGE.toldFromAJobOf }}
            </p>
            <p v-for="trap in traps" :key="trap.id" class="text-body" data-testid="trap">
              <b>{{ DEBRIEF_PAGE.trap(midSentence(faultWords(trap.id).name)) }}</b>,
              {{ trap.missed ? DEBRIEF_PAGE.walkedInto : DEBRIEF_PAGE.seen }}.
            </p>
          </Panel>
          <Panel :title="DEBRIEF_PAGE.toTakeAlong">
            <ol class="mt-1 list-decimal space-y-2 pl-6">
              <li v-for="one in it.takeAlong" :key="sayLesson(one, name)" data-testid="take-along">
                {{ sayLesson(one, name) }}
              </li>
            </ol>
          </Panel>
          <Panel :title="DEBRIEF_PAGE.calls">
            <FigureTable :heads="[COMMON.part, DEBRIEF_PAGE.yours, DEBRIEF_PAGE.right, DEBRIEF_PAGE.why]">
              <tr v-for="call in it.calls" :key="call.part" class="align-top" data-testid="judged">
                <td class="font-bold">{{ name(call.part) }}</td>
                <td>
                  <CallMark v-if="call.yours" :call="call.yours" :size="16" /><span v-else>{{
                    DEBRIEF_PAGE.notJudged
                  }}</span>
                  <p class="text-note" :class="call.hit ? 'text-faint' : 'text-renew'">
                    {{
                      call.hit
                        ? call.grounded
                          ? DEBRIEF_PAGE.right2
                          : DEBRIEF_PAGE.rightButNothingRead
                        : DEBRIEF_PAGE.notSo
                    }}
                  </p>
                </td>
                <td><CallMark :call="call.right" :size="16" /></td>
                <td>{{ sayReason(call.why, name) }}</td>
              </tr>
            </FigureTable>
          </Panel>
          <Panel :title="DEBRIEF_PAGE.whatEachEntryWasWorth">
            <FigureTable
              :heads="[
                DEBRIEF_PAGE.entry,
                DEBRIEF_PAGE.minutes,
                DEBRIEF_PAGE.written,
                DEBRIEF_PAGE.there,
                DEBRIEF_PAGE.told
              ]">
              <tr v-for="(reading, i) in it.readings" :key="i" class="align-top" data-testid="weighed">
                <td>{{ inspectionWords(reading.what, name) }}</td>
                <td class="figure font-normal">{{ reading.minutes }}</td>
                <td :class="reading.misread ? 'font-bold text-renew' : ''">
                  {{ shownWords(reading.entered) }}
                </td>
                <td>{{ shownWords(reading.shown) }}</td>
                <td>
                  {{
                    reading.narrowed && reading.narrowed.from - reading.narrowed.to > 0.002
                      ? DEBRIEF_PAGE.stretchTo(fixDigits(reading.narrowed.from, 3), fixDigits(reading.narrowed.to, 3))
                      : ''
                  }}{{
                    reading.changed.length
                      ? DEBRIEF_PAGE.decided(midSentence(reading.changed.map(name).join(', ')))
                      : ''
                  }}
                </td>
              </tr>
            </FigureTable>
          </Panel>
        </div>
        <div class="space-y-4">
          <Panel :label="DEBRIEF_PAGE.score">
            <p class="flex items-baseline gap-2">
              <span class="figure text-5xl" data-testid="score">{{ it.score }}</span><span class="text-faint">{{
                DEBRIEF_PAGE.of100
              }}</span>
            </p>
            <dl class="mt-2 grid grid-cols-[1fr_auto] gap-y-1">
              <dt>{{ DEBRIEF_PAGE.calls }}</dt>
              <dd class="figure">{{ Math.round(100 * it.parts.calls) }} %</dd>
              <dt>{{ DEBRIEF_PAGE.money }}</dt>
              <dd class="figure">{{ Math.round(100 * it.parts.money) }} %</dd>
              <dt>{{ DEBRIEF_PAGE.minutes }}</dt>
              <dd class="figure">{{ Math.round(100 * it.parts.minutes) }} %</dd>
            </dl>
            <p class="mt-2 text-note text-faint">
              {{ DEBRIEF_PAGE.aCallCountsInFull }}
            </p>
          </Panel>
          <Panel :title="DEBRIEF_PAGE.againstTheBestPath">
            <FigureTable :heads="['', DEBRIEF_PAGE.you, DEBRIEF_PAGE.best]" :right-from="1">
              <tr v-for="bar in bars" :key="bar.name">
                <td>{{ bar.name }}</td>
                <td class="figure text-right">{{ bar.words(bar.yours) }}</td>
                <td class="figure text-right">{{ bar.words(bar.best) }}</td>
              </tr>
            </FigureTable>
          </Panel>
          <Panel :title="DEBRIEF_PAGE.whatTheSoftwareWouldHave">
            <ol class="mt-1 text-body">
              <li
                v-for="(one, i) in it.software"
                :key="i"
                class="flex justify-between gap-3 border-t border-rule/60 py-1">
                <span>{{ inspectionWords(one.what, name) }}</span><span class="figure font-normal">{{
                  minutesWords(one.minutes)
                }}</span>
              </li>
            </ol>
          </Panel>
          <Panel class="flex flex-wrap items-center gap-2" :label="DEBRIEF_PAGE.share">
            <p v-if="data.code" class="w-full">
              {{ DEBRIEF_PAGE.itsCode }} <b class="figure text-lg" data-testid="case-code">{{ data.code }}</b>
            </p>
            <button v-if="data.code" type="button" class="act" @click="copy(data.code)">
              {{ copied ? DEBRIEF_PAGE.copied : DEBRIEF_PAGE.copyTheCode }}
            </button>
            <a :href="`/api/practice/cases/${data.caseKey}/file`" class="act flex items-center">{{
              DEBRIEF_PAGE.asAFile
            }}</a>
            <NuxtLink :to="`/practice/${data.caseKey}`" class="act flex items-center">{{
              DEBRIEF_PAGE.onceMore
            }}</NuxtLink><NuxtLink to="/practice" class="act flex items-center">{{ DEBRIEF_PAGE.allCases }}</NuxtLink>
          </Panel>
        </div>
      </div>
    </template>
  </PageFrame>
</template>
