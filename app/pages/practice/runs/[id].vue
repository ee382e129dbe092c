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
          <section class="bg-plate p-5 text-scribe" aria-label="What was wrong">
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
          </section>
          <section class="bg-sheet p-4" aria-label="To take along">
            <h2 class="text-lg font-bold">To take along</h2>
            <ol class="mt-1 list-decimal space-y-2 pl-6">
              <li v-for="one in it.takeAlong" :key="sayLesson(one, name)" data-testid="take-along">
                {{ sayLesson(one, name) }}
              </li>
            </ol>
          </section>
          <section class="bg-sheet p-4" aria-label="Calls">
            <h2 class="text-lg font-bold">Calls</h2>
            <table class="w-full text-left text-body">
              <thead>
                <tr class="text-faint">
                  <th class="py-1 font-normal">Part</th>
                  <th class="font-normal">Yours</th>
                  <th class="font-normal">Right</th>
                  <th class="font-normal">Why</th>
                </tr>
              </thead>
              <tbody>
                <tr
                  v-for="call in it.calls"
                  :key="call.part"
                  class="border-t border-rule/60 align-top"
                  data-testid="judged">
                  <td class="py-2 pr-2 font-bold">{{ name(call.part) }}</td>
                  <td class="py-2 pr-2">
                    <CallMark v-if="call.yours" :call="call.yours" :size="16" /><span v-else>not judged</span>
                    <p class="text-note" :class="call.hit ? 'text-faint' : 'text-renew'">
                      {{ call.hit ? (call.grounded ? 'right' : 'right, but nothing read') : 'not so' }}
                    </p>
                  </td>
                  <td class="py-2 pr-2"><CallMark :call="call.right" :size="16" /></td>
                  <td class="py-2">{{ sayReason(call.why, name) }}</td>
                </tr>
              </tbody>
            </table>
          </section>
          <section class="bg-sheet p-4" aria-label="What each entry was worth">
            <h2 class="text-lg font-bold">What each entry was worth</h2>
            <table class="w-full text-left text-body">
              <thead>
                <tr class="text-faint">
                  <th class="py-1 font-normal">Entry</th>
                  <th class="pr-3 font-normal">Minutes</th>
                  <th class="font-normal">Written</th>
                  <th class="font-normal">There</th>
                  <th class="font-normal">Told</th>
                </tr>
              </thead>
              <tbody>
                <tr
                  v-for="(reading, i) in it.readings"
                  :key="i"
                  class="border-t border-rule/60 align-top"
                  data-testid="weighed">
                  <td class="py-1 pr-2">{{ inspectionWords(reading.what, name) }}</td>
                  <td class="figure py-1 font-normal">{{ reading.minutes }}</td>
                  <td class="py-1 pr-2" :class="reading.misread ? 'font-bold text-renew' : ''">
                    {{ shownWords(reading.entered) }}
                  </td>
                  <td class="py-1 pr-2">{{ shownWords(reading.shown) }}</td>
                  <td class="py-1">
                    {{
                      reading.narrowed && reading.narrowed.from - reading.narrowed.to > 0.002
                        ? `stretch ±${fixDigits(reading.narrowed.from, 3)} to ±${fixDigits(reading.narrowed.to, 3)} %`
                        : ''
                    }}{{
                      reading.changed.length ? ` decided ${reading.changed.map(name).join(', ').toLowerCase()}` : ''
                    }}
                  </td>
                </tr>
              </tbody>
            </table>
          </section>
        </div>
        <div class="space-y-4">
          <section class="bg-sheet p-5" aria-label="Score">
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
          </section>
          <section class="bg-sheet p-4" aria-label="Against the best path">
            <h2 class="font-bold">Against the best path</h2>
            <table class="w-full text-left">
              <thead>
                <tr class="text-faint">
                  <th class="font-normal" />
                  <th class="text-right font-normal">You</th>
                  <th class="text-right font-normal">Best</th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="bar in bars" :key="bar.name" class="border-t border-rule/60">
                  <td class="py-1">{{ bar.name }}</td>
                  <td class="figure py-1 text-right">{{ bar.words(bar.yours) }}</td>
                  <td class="figure py-1 text-right">{{ bar.words(bar.best) }}</td>
                </tr>
              </tbody>
            </table>
          </section>
          <section class="bg-sheet p-4" aria-label="What the software would have read">
            <h2 class="font-bold">What the software would have read</h2>
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
          </section>
          <section class="flex flex-wrap items-center gap-2 bg-sheet p-4" aria-label="Share">
            <p v-if="data.code" class="w-full">
              Its code: <b class="figure text-lg" data-testid="case-code">{{ data.code }}</b>
            </p>
            <button v-if="data.code" type="button" class="act" @click="copy(data.code)">
              {{ copied ? 'Copied' : 'Copy the code' }}
            </button>
            <a :href="`/api/practice/cases/${data.caseKey}/file`" class="act flex items-center">As a file</a>
            <NuxtLink :to="`/practice/${data.caseKey}`" class="act flex items-center">Once more</NuxtLink
            ><NuxtLink to="/practice" class="act flex items-center">All cases</NuxtLink>
          </section>
        </div>
      </div>
    </main>
  </div>
</template>
