<script setup lang="ts">
import { COMMON, PRACTICE, faultWords, sayCode } from '../../../words/en'
import { $fetch } from 'ofetch'
import { computed, ref, watch } from 'vue'
import { CodeError, EDITION, LEVELS, SEEDS, caseCode, readCode, type Level } from '../../../core/views/practice'
import type { KeptCase, PracticeLobby } from '../../../server/store/practice'
import WhenAt from '../../components/parts/WhenAt.vue'
import ScoreLine from '../../components/practice/ScoreLine.vue'
import { shownProblem } from '../../problem'
import { useBench } from '../../stores/bench'
import { usePractice } from '../../stores/practice'
import FaultNote from '../../components/parts/FaultNote.vue'
import Panel from '../../components/parts/Panel.vue'
import Field from '../../components/parts/Field.vue'
import FigureTable from '../../components/parts/FigureTable.vue'
import PageFrame from '../../components/parts/PageFrame.vue'
import TakeFile from '../../components/parts/TakeFile.vue'

/**
 * Practice: the case of the day, one for what is missed most, a new one, one by code or file; and how it went so far.
 */
const bench = useBench()
const practice = usePractice()
const { data, error, refresh } = await useFetch<PracticeLobby>('/api/practice', {
  deep: false,
  query: { by: computed(() => bench.by) }
})
useHead({ title: PRACTICE.practiceUmbrette })

const LEVEL_WORDS: Readonly<Record<Level, string>> = {
  1: PRACTICE.onePlainFault,
  2: PRACTICE.oneFaultPerhapsATrap,
  3: PRACTICE.oneOrTwoFaultsAnd,
  4: PRACTICE.twoFaultsAndTraps,
  5: PRACTICE.everythingTogether
}
const level = ref<Level>(1)
watch(data, (found) => found && (level.value = found.level), { immediate: true })
const sheet = ref('')
const code = ref('')
const problem = ref('')
const removed = ref<KeptCase | null>(null)
const begun = computed(() => Object.entries(practice.begun).map(([key, { moves }]) => ({ key, moves: moves.length })))

function draw() {
  const engines = data.value?.engines ?? []
  const engine = sheet.value || engines[Math.floor(Math.random() * engines.length)]?.id
  if (!engine) return
  void navigateTo(
    `/practice/${caseCode({ sheet: engine, level: level.value, seed: Math.floor(Math.random() * SEEDS), edition: EDITION })}`
  )
}

function byCode() {
  problem.value = ''
  try {
    void navigateTo(`/practice/${caseCode(readCode(code.value, data.value?.engines ?? []))}`)
  } catch (failure) {
    if (!(failure instanceof CodeError)) throw failure
    problem.value = sayCode(failure.said)
  }
}

async function take(file: File) {
  problem.value = ''
  try {
    const { id } = await $fetch<KeptCase>('/api/practice/cases', {
      method: 'POST',
      query: { by: bench.by },
      body: await file.text(),
      headers: { 'content-type': 'application/json' }
    })
    await navigateTo(`/practice/${id}`)
  } catch (failure) {
    const { message, faults } = shownProblem(failure)
    problem.value = [message, ...faults.slice(0, 3).map(({ place, message: what }) => `${place} ${what}`)].join(' ')
  }
}

async function remove(kept: KeptCase, to: boolean) {
  await $fetch(`/api/practice/cases/${kept.id}/removed`, { method: 'POST', body: { removed: to } })
  removed.value = to ? kept : null
  await refresh()
}
</script>

<template>
  <PageFrame :error="error" @retry="refresh()">
    <template v-if="data">
      <h1 class="text-2xl font-bold">{{ PRACTICE.practiceStand }}</h1>
      <p class="mb-4 max-w-3xl">
        {{ PRACTICE.enginesThatDoNotExist }}
      </p>
      <div class="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-6 max-lg:grid-cols-1">
        <div class="space-y-4">
          <Panel tone="plate" class="flex items-center gap-4" :label="PRACTICE.caseOfTheDay">
            <div class="min-w-0 flex-1">
              <h2 class="text-lg font-bold">{{ PRACTICE.caseOfTheDay }}</h2>
              <p>{{ PRACTICE.levelTheSameForEverybody(data.daily.engine, data.daily.level) }}</p>
            </div>
            <NuxtLink
              :to="`/practice/${data.daily.code}`"
              class="flex min-h-14 items-center rounded-[3px] bg-lit px-5 font-bold text-[#151d26]"
              data-testid="daily"
              >{{ data.daily.done ? PRACTICE.onceMore : PRACTICE.begin }}</NuxtLink
            >
          </Panel>
          <Panel v-if="data.training" tone="note" class="flex items-center gap-4" :label="PRACTICE.forYou">
            <div class="min-w-0 flex-1">
              <h2 class="font-bold">{{ PRACTICE.forYou }}</h2>
              <p>{{ PRACTICE.itHoldsSomethingYouHave }}</p>
            </div>
            <NuxtLink :to="`/practice/${data.training.code}`" class="act flex items-center" data-testid="training">{{
              PRACTICE.begin
            }}</NuxtLink>
          </Panel>
          <Panel :title="PRACTICE.aNewCase" class="space-y-3">
            <div class="flex flex-wrap gap-2" role="radiogroup" :aria-label="PRACTICE.level">
              <button
                v-for="one in LEVELS"
                :key="one"
                type="button"
                role="radio"
                class="act"
                :class="level === one ? 'border-2 !border-ink font-bold' : ''"
                :aria-checked="level === one"
                :data-testid="`level-${one}`"
                @click="level = one">
                {{ one }}
              </button>
              <p class="self-center">{{ LEVEL_WORDS[level] }}</p>
            </div>
            <Field :label="COMMON.engine">
              <template #default="{ control }">
                <select v-model="sheet" v-bind="control">
                  <option value="">{{ PRACTICE.any }}</option>
                  <option v-for="{ id, name } in data.engines" :key="id" :value="id">{{ name }}</option>
                </select>
              </template>
            </Field>
            <button type="button" class="act-main w-full" data-testid="draw" @click="draw">
              {{ PRACTICE.drawAnEngine }}
            </button>
          </Panel>
          <Panel :title="PRACTICE.byCodeOrFile">
            <form class="mt-2 flex gap-2" @submit.prevent="byCode">
              <Field
                v-model="code"
                :label="PRACTICE.caseCode"
                silent
                class="min-w-0 flex-1"
                :placeholder="PRACTICE.a37kq2md"
                maxlength="24"
                autocapitalize="characters"
                data-testid="code" /><button type="submit" class="act">{{ PRACTICE.open }}</button
              ><TakeFile
                class="act"
                :label="PRACTICE.caseFile"
                accept="application/json,.json"
                test-id="case-file"
                @file="take"
                >{{ PRACTICE.file }}</TakeFile
              >
            </form>
            <FaultNote v-if="problem" class="mt-2">{{ problem }}</FaultNote>
          </Panel>
        </div>
        <div class="space-y-4">
          <ClientOnly>
            <Panel v-if="begun.length" :title="PRACTICE.begunOnThisDevice" :label="PRACTICE.begun">
              <ul>
                <li v-for="one in begun" :key="one.key" class="border-b border-rule/60">
                  <NuxtLink
                    :to="`/practice/${one.key}`"
                    class="flex min-h-11 items-center justify-between underline decoration-brass underline-offset-2"
                    ><span>{{ one.key.length > 20 ? PRACTICE.aCaseOfTheWorkshop : one.key }}</span
                    ><span class="text-faint">{{ PRACTICE.moves(one.moves) }}</span></NuxtLink
                  >
                </li>
              </ul>
            </Panel>
          </ClientOnly>
          <Panel :label="PRACTICE.howItWent">
            <h2 class="font-bold">
              {{ PRACTICE.howItWent }}<template v-if="bench.by">, {{ bench.by }}</template>
            </h2>
            <p v-if="data.history.length === 0" class="text-faint">
              {{ PRACTICE.nothingFinishedYet(bench.by !== '') }}
            </p>
            <template v-else>
              <ScoreLine :runs="data.history" />
              <ul>
                <li v-for="run in data.history.slice(0, 8)" :key="run.id" class="border-b border-rule/60">
                  <NuxtLink :to="`/practice/runs/${run.id}`" class="flex min-h-11 items-center gap-3" data-testid="run"
                    ><span class="figure w-10 text-right">{{ run.score }}</span
                    ><span class="min-w-0 flex-1 truncate underline decoration-brass underline-offset-2">{{
                      run.title
                    }}</span
                    ><span class="text-note text-faint"><WhenAt :at="run.finishedAt" /></span
                  ></NuxtLink>
                </li>
              </ul>
            </template>
          </Panel>
          <Panel v-if="data.weak.length" :title="PRACTICE.missedMost" data-testid="weak">
            <FigureTable>
              <tr v-for="one in data.weak.slice(0, 5)" :key="one.id">
                <td>
                  {{ faultWords(one.id).name }}
                  <p class="text-note text-faint">{{ faultWords(one.id).lesson }}</p>
                </td>
                <td class="figure whitespace-nowrap pl-3 text-right">{{ PRACTICE.of(one.missed, one.met) }}</td>
              </tr>
            </FigureTable>
          </Panel>
          <Panel v-if="data.cases.length || removed" :title="PRACTICE.casesOfTheWorkshop">
            <p v-if="removed" role="status">
              {{ PRACTICE.isOffTheList(removed.title) }}
              <button type="button" class="act-bare" @click="remove(removed!, false)">{{ PRACTICE.putItBack }}</button>
            </p>
            <ul>
              <li
                v-for="kept in data.cases"
                :key="kept.id"
                class="flex items-center gap-2 border-b border-rule/60"
                data-testid="kept-case">
                <NuxtLink :to="`/practice/${kept.id}`" class="flex min-h-11 min-w-0 flex-1 items-center gap-2"
                  ><span class="truncate underline decoration-brass underline-offset-2">{{ kept.title }}</span
                  ><span class="shrink-0 text-note text-faint">{{ kept.engine }}</span></NuxtLink
                ><a :href="`/api/practice/cases/${kept.id}/file`" class="act-bare flex items-center text-note">{{
                  PRACTICE.file2
                }}</a
                ><button type="button" class="act-bare text-note" @click="remove(kept, true)">
                  {{ COMMON.remove }}
                </button>
              </li>
            </ul>
          </Panel>
        </div>
      </div>
    </template>
  </PageFrame>
</template>
