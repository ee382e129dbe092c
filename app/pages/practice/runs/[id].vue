<script setup lang="ts">
import { faultWords, inspectionWords, sayLesson, sayReason, shownWords, standingName } from '../../../../words/en'
import { useClipboard } from '@vueuse/core'
import { computed } from 'vue'
import type { KeptRun } from '../../../../server/store/practice'
import CallMark from '../../../components/parts/CallMark.vue'
import ProblemNote from '../../../components/parts/ProblemNote.vue'
import TopBar from '../../../components/parts/TopBar.vue'
import { minutesWords } from '../../../components/practice/words'
import { fixDigits, money } from '../../../words'
import Panel from '../../../components/parts/Panel.vue'
import FigureTable from '../../../components/parts/FigureTable.vue'

/** The debriefing: what was wrong, what each look was worth, calls beside the right ones, and what to take along. */
const route = useRoute()
const { data, error, refresh } = await useFetch<KeptRun>(() => `/api/practice/runs/${String(route.params.id)}`, {
  deep: false
})
useHead({ title: () => `${data.value?.title ?? 'Practice'}, the truth · Umbrette` })
const it = computed(() => data.value?.debriefing ?? null)
const name = (part: string) => it.value?.names[part] ?? standingName(part)
const { copy, copied } = useClipboard({ legacy: true })
const faults = computed(() => it.value?.wrong.filter(({ trap }) => !trap) ?? [])
const traps = computed(() => it.value?.wrong.filter(({ trap }) => trap) ?? [])
const bars = computed(() =>
  it.value
    ? [
        { name: 'Minutes', yours: it.value.minutes.yours, best: it.value.minutes.best, words: minutesWords },
        { name: 'Bill now', yours: it.value.bill.yours.now, best: it.value.bill.best.now, words: price },
        {
          name: 'What it will cost later',
          yours: it.value.bill.yours.later,
          best: it.value.bill.best.later,
          words: price
        }
      ]
    : []
)

function price(amount: number): string {
  return money(amount, it.value!.bill.currency)
}
</script>

<template>
  <div>
    <TopBar places
      ><h1 class="truncate font-bold">{{ data?.title ?? 'Practice' }}: the truth</h1></TopBar
    >
    <ProblemNote v-if="error" :error="error" @retry="refresh()" />
    <main v-else-if="data && it" class="mx-auto max-w-[1240px] px-6 py-5 max-md:px-2">
      <div class="grid grid-cols-[minmax(0,1fr)_420px] gap-6 max-lg:grid-cols-1">
        <div class="space-y-5">
          <Panel tone="plate" label="What was wrong">
            <div v-for="fault in faults" :key="fault.id" class="mb-3" data-testid="truth">
              <h2 class="text-xl font-bold">
                {{ faultWords(fault.id).name
                }}<span class="text-lead font-normal">, {{ fault.missed ? 'missed' : 'found' }}</span>
              </h2>
              <p>{{ faultWords(fault.id).lesson }}</p>
            </div>
            <p v-if="faults.length === 0" class="text-xl font-bold">
              Told from a job of the workshop: its readings are the truth.
            </p>
            <p v-for="trap in traps" :key="trap.id" class="text-body" data-testid="trap">
              <b>Trap: {{ faultWords(trap.id).name.toLowerCase() }}</b
              >, {{ trap.missed ? 'walked into' : 'seen' }}.
            </p>
          </Panel>
          <Panel title="To take along">
            <ol class="mt-1 list-decimal space-y-2 pl-6">
              <li v-for="one in it.takeAlong" :key="sayLesson(one, name)" data-testid="take-along">
                {{ sayLesson(one, name) }}
              </li>
            </ol>
          </Panel>
          <Panel title="Calls">
            <FigureTable :heads="['Part', 'Yours', 'Right', 'Why']">
              <tr v-for="call in it.calls" :key="call.part" class="align-top" data-testid="judged">
                <td class="font-bold">{{ name(call.part) }}</td>
                <td>
                  <CallMark v-if="call.yours" :call="call.yours" :size="16" /><span v-else>not judged</span>
                  <p class="text-note" :class="call.hit ? 'text-faint' : 'text-renew'">
                    {{ call.hit ? (call.grounded ? 'right' : 'right, but nothing read') : 'not so' }}
                  </p>
                </td>
                <td><CallMark :call="call.right" :size="16" /></td>
                <td>{{ sayReason(call.why, name) }}</td>
              </tr>
            </FigureTable>
          </Panel>
          <Panel title="What each entry was worth">
            <FigureTable :heads="['Entry', 'Minutes', 'Written', 'There', 'Told']">
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
                      ? `stretch ±${fixDigits(reading.narrowed.from, 3)} to ±${fixDigits(reading.narrowed.to, 3)} %`
                      : ''
                  }}{{ reading.changed.length ? ` decided ${reading.changed.map(name).join(', ').toLowerCase()}` : '' }}
                </td>
              </tr>
            </FigureTable>
          </Panel>
        </div>
        <div class="space-y-4">
          <Panel label="Score">
            <p class="flex items-baseline gap-2">
              <span class="figure text-5xl" data-testid="score">{{ it.score }}</span><span class="text-faint"
                >of 100</span
              >
            </p>
            <dl class="mt-2 grid grid-cols-[1fr_auto] gap-y-1">
              <dt>Calls</dt>
              <dd class="figure">{{ Math.round(100 * it.parts.calls) }} %</dd>
              <dt>Money</dt>
              <dd class="figure">{{ Math.round(100 * it.parts.money) }} %</dd>
              <dt>Minutes</dt>
              <dd class="figure">{{ Math.round(100 * it.parts.minutes) }} %</dd>
            </dl>
            <p class="mt-2 text-note text-faint">
              A call counts in full where something was read that it rests on; money and minutes count as far as the
              calls are right.
            </p>
          </Panel>
          <Panel title="Against the best path">
            <FigureTable :heads="['', 'You', 'Best']" :right-from="1">
              <tr v-for="bar in bars" :key="bar.name">
                <td>{{ bar.name }}</td>
                <td class="figure text-right">{{ bar.words(bar.yours) }}</td>
                <td class="figure text-right">{{ bar.words(bar.best) }}</td>
              </tr>
            </FigureTable>
          </Panel>
          <Panel title="What the software would have read">
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
          <Panel class="flex flex-wrap items-center gap-2" label="Share">
            <p v-if="data.code" class="w-full">
              Its code: <b class="figure text-lg" data-testid="case-code">{{ data.code }}</b>
            </p>
            <button v-if="data.code" type="button" class="act" @click="copy(data.code)">
              {{ copied ? 'Copied' : 'Copy the code' }}
            </button>
            <a :href="`/api/practice/cases/${data.caseKey}/file`" class="act flex items-center">As a file</a>
            <NuxtLink :to="`/practice/${data.caseKey}`" class="act flex items-center">Once more</NuxtLink
            ><NuxtLink to="/practice" class="act flex items-center">All cases</NuxtLink>
          </Panel>
        </div>
      </div>
    </main>
  </div>
</template>
