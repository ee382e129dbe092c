<script setup lang="ts">
import { COMMON, PRACTICE_CASE, SIGHT_PHOTO } from '../../../words/en'
import { $fetch } from 'ofetch'
import { computed, ref, watch } from 'vue'
import { type InspectionKind, photographedOf, type PracticeCase } from '../../../core/views/practice'
import { pictureOf } from '../../../draw/practice/pictureOf'
import type { KeptRun } from '../../../server/store/practice'
import ProblemNote from '../../components/parts/ProblemNote.vue'
import TopBar from '../../components/parts/TopBar.vue'
import CallsPane from '../../components/practice/CallsPane.vue'
import InspectionList from '../../components/practice/InspectionList.vue'
import PlatePicture from '../../components/practice/PlatePicture.vue'
import SightPane from '../../components/practice/SightPane.vue'
import TurnBar from '../../components/practice/TurnBar.vue'
import TurningMap from '../../components/practice/TurningMap.vue'
import { minutesWords, pictureWords } from '../../components/practice/words'
import { later } from '../../later'
import { shownProblem } from '../../problem'
import { useBench } from '../../stores/bench'
import { usePractice } from '../../stores/practice'
import { usageWords } from '../../words'
import FaultNote from '../../components/parts/FaultNote.vue'
import Caution from '../../components/parts/Caution.vue'

/** The practice stand: an engine with a hidden truth, what can be looked at, what is seen, and the calls. */
const route = useRoute()
const bench = useBench()
const practice = usePractice()
const { data, error, refresh } = await useFetch<PracticeCase>(() => `/api/practice/cases/${String(route.params.key)}`, {
  deep: false
})
// The stand is drawn on the device, with what was begun there.
if (import.meta.client)
  watch(data, (found) => found && practice.open(String(route.params.key), found), { immediate: true })
useHead({ title: () => PRACTICE_CASE.umbrette(data.value?.title ?? COMMON.practice) })

/** What the middle and the right show. */
const shown = ref<'engine' | 'picture' | 'photo'>('engine')
const calling = ref(false)
const busy = ref(false)
const problem = ref('')
const hasPicture = computed(
  () => practice.looked !== null && practice.inspection !== null && practice.inspection.kind !== 'ask'
)
const inView = computed(() => shown.value === 'picture' && hasPicture.value)
/** From here on what a calliper would read can be measured on a photo, too. */
const PHOTOS_FROM = 3
const SightPhoto = later(() => import('../../components/practice/SightPhoto.vue'))
const hasPhoto = computed(
  () =>
    practice.looked !== null &&
    practice.inspection !== null &&
    (practice.engine?.level ?? 0) >= PHOTOS_FROM &&
    photographedOf(practice.inspection) !== null
)
const onPhoto = computed(() => shown.value === 'photo' && hasPhoto.value)
/** Made while it is shown only: turning would make it anew for every frame. */
const picture = computed(() =>
  inView.value && practice.engine && practice.inspection && practice.looked
    ? pictureOf(practice.engine, practice.inspection, practice.looked, practice.crank)
    : null
)
/** Looks at something that moves with the crank. */
const TURNED: readonly (InspectionKind | undefined)[] = ['marks', 'wheel', 'count']
const turns = computed(() => (!inView.value && !onPhoto.value) || TURNED.includes(practice.inspection?.kind))

const engine = ref<HTMLElement | null>(null)

function chosen() {
  calling.value = false
  shown.value = 'picture'
  // One column below another: what is seen, and where it is written down, stand above the list.
  if (window.matchMedia('(max-width: 767px)').matches) engine.value?.scrollIntoView()
}

async function finish() {
  busy.value = true
  problem.value = ''
  try {
    const run = await $fetch<KeptRun>('/api/practice/runs', {
      method: 'POST',
      body: { id: practice.run.id || crypto.randomUUID(), by: bench.by, case: practice.key, moves: practice.run.moves }
    })
    practice.clear()
    await navigateTo(`/practice/runs/${run.id}`)
  } catch (failure) {
    problem.value = shownProblem(failure).message
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <div class="flex h-dvh flex-col max-md:h-auto">
    <TopBar>
      <h1 class="truncate leading-tight">
        <b>{{ data?.title ?? COMMON.practice }}</b>{{ ' '
        }}<span v-if="data" class="text-faint">{{ data.drive.name }}, {{ usageWords(data.usage) }}</span>
      </h1>
      <p class="truncate text-note text-faint" :title="data?.complaint">
        {{ data?.complaint || PRACTICE_CASE.broughtInForALook }}
      </p>
      <template #acts
        ><NuxtLink to="/practice" class="act flex items-center">{{ PRACTICE_CASE.allCases }}</NuxtLink></template
      >
    </TopBar>
    <ProblemNote v-if="error" :error="error" @retry="refresh()" />
    <ClientOnly>
      <main
        v-if="practice.engine && practice.stand"
        class="grid min-h-0 flex-1 grid-cols-[270px_minmax(0,1fr)_380px] max-lg:grid-cols-[230px_minmax(0,1fr)_320px] max-md:flex max-md:flex-col">
        <InspectionList class="max-md:order-last" @chosen="chosen" />
        <div ref="engine" class="flex min-h-0 flex-col max-md:h-[70vh]">
          <div
            class="flex items-center gap-2 border-b border-rule bg-sheet px-2 py-1"
            role="group"
            :aria-label="PRACTICE_CASE.whatIsShown">
            <button
              type="button"
              class="act"
              :class="inView || onPhoto ? '' : 'border-2 !border-ink font-bold'"
              :aria-pressed="!inView && !onPhoto"
              @click="shown = 'engine'">
              {{ COMMON.engine }}
            </button>
            <button
              type="button"
              class="act"
              :class="inView ? 'border-2 !border-ink font-bold' : ''"
              :aria-pressed="inView"
              :disabled="!hasPicture"
              data-testid="show-picture"
              @click="shown = 'picture'">
              {{ PRACTICE_CASE.whatYouSee }}
            </button>
            <button
              v-if="hasPhoto"
              type="button"
              class="act"
              :class="onPhoto ? 'border-2 !border-ink font-bold' : ''"
              :aria-pressed="onPhoto"
              data-testid="show-photo"
              @click="shown = 'photo'">
              {{ SIGHT_PHOTO.onAPhoto }}
            </button>
            <p class="ml-auto text-body" data-testid="clock">
              <span class="figure">{{ minutesWords(practice.stand.access + practice.stand.looking) }}</span>{{ ' '
              }}<span class="text-faint">{{ PRACTICE_CASE.soFar }}</span>
            </p>
          </div>
          <div v-if="picture && practice.inspection" class="on-plate min-h-0 flex-1 bg-plate p-2">
            <PlatePicture :drawing="picture" :label="pictureWords(practice.titleOf(practice.inspection), picture)" />
          </div>
          <SightPhoto
            v-else-if="onPhoto && practice.inspection && practice.looked"
            :key="practice.chosen + practice.looked.attempt"
            :inspection="practice.inspection"
            :looked="practice.looked" />
          <TurningMap
            v-else
            :engine="practice.engine"
            :done="practice.stand.done"
            :turned-forward="practice.stand.turnedForward" />
          <TurnBar v-if="turns" />
        </div>
        <aside class="flex min-h-0 flex-col border-l border-rule bg-sheet">
          <div class="min-h-0 flex-1 overflow-y-auto">
            <CallsPane v-if="calling" :busy="busy || !bench.by" @done="finish" />
            <SightPane v-else-if="practice.inspection" :inspection="practice.inspection" />
            <section v-else class="space-y-3 p-4">
              <h2 class="text-lg font-bold">{{ PRACTICE_CASE.aMadeUpEngine }}</h2>
              <p>{{ data?.complaint || PRACTICE_CASE.broughtInForALook }}</p>
              <p class="text-body">
                {{ PRACTICE_CASE.chooseWhatToLookAt }}
              </p>
              <p class="text-body">{{ PRACTICE_CASE.turnInTheRunningDirection }}</p>
              <Caution :lead="PRACTICE_CASE.onARealEngine">{{ PRACTICE_CASE.batteryOffBeforeTheStarter }}</Caution>
            </section>
          </div>
          <div class="border-t border-rule p-2">
            <FaultNote v-if="problem" class="mb-2">{{ problem }}</FaultNote>
            <p v-if="calling && !bench.by" class="mb-2 text-body">
              {{ PRACTICE_CASE.chooseWhoIsPractisingAt }}
            </p>
            <button
              v-if="!calling"
              type="button"
              class="act-main w-full"
              data-testid="make-calls"
              @click="calling = true">
              {{ PRACTICE_CASE.makeTheCalls }}
            </button>
            <button v-else type="button" class="act w-full" @click="calling = false">
              {{ PRACTICE_CASE.lookAtMoreFirst }}
            </button>
          </div>
        </aside>
      </main>
    </ClientOnly>
  </div>
</template>
