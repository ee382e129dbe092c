<script setup lang="ts">
import { namesOf, sayTrace, TRACE_PAGE } from '../../../../words/en'
import { computed, ref, watch } from 'vue'
import { NINETY } from '../../../../core/math'
import type { Reading } from '../../../../core/readings'
import Caution from '../../../components/parts/Caution.vue'
import FaultNote from '../../../components/parts/FaultNote.vue'
import Field from '../../../components/parts/Field.vue'
import TakeFile from '../../../components/parts/TakeFile.vue'
import TopBar from '../../../components/parts/TopBar.vue'
import ChannelMap from '../../../components/trace/ChannelMap.vue'
import ChannelPlot from '../../../components/trace/ChannelPlot.vue'
import CycleFold from '../../../components/trace/CycleFold.vue'
import { numberOf } from '../../../components/bench/draft'
import { useTrace } from '../../../composables/useTrace'
import { useBench } from '../../../stores/bench'
import { useOpenJob } from '../../../stores/job'
import { fixDigits, lagWords, partName } from '../../../words'

/** A trace of crank and cams: channels, edges over the cycle, lag of each cam, kept as readings. */
const route = useRoute()
const job = useOpenJob()
const who = useBench()
const sheet = computed(() => job.job.sheet)
const { scope, file, good, loaded, trace, problem, share, version, rate, wanted, map, read, cancel, connect } =
  useTrace(() => job.job.sheet, `/api/jobs/${job.id}/scope.csv`)

const channels = computed(() =>
  wanted.value.flatMap(({ id, label }) => (map.value[id] ? [{ name: map.value[id]!, label }] : []))
)
const shown = computed(() =>
  channels.value.length > 0 ? channels.value : (loaded.value?.names ?? []).map((name) => ({ name, label: name }))
)
/** crank degrees: a wheel is fitted no better. */
const tolerance = ref('0.3')
const sigmaOf = (error: number) => Math.hypot(error, numberOf(tolerance.value) ?? 0.3)
const cams = computed(() => Object.entries(trace.value?.cams ?? {}))
const saved = ref(false)
const keeping = ref(false)
watch(trace, () => (saved.value = false))

/** The reading that the page was opened for again. */
const again = computed(() => {
  const act = job.acts.find(({ id }) => id === String(route.query.reading ?? ''))
  return act?.type === 'read' && act.trace ? act : null
})

async function keep() {
  const found = trace.value
  if (!found || !file.value || !who.by) return
  keeping.value = true
  const hash = await scope.hash(file.value)
  for (const [sprocket, { lag, error, spread, edges, waver }] of Object.entries(found.cams)) {
    job.put({
      type: 'read',
      reading: {
        kind: 'camLag',
        sprocket,
        value: Number(lag.toFixed(2)),
        sigma: Number(sigmaOf(error).toFixed(3)),
        method: 'trace',
        turnedForward: true
      } as Reading,
      ...(again.value?.reading.kind === 'camLag' && again.value.reading.sprocket === sprocket
        ? { supersedes: again.value.id }
        : {}),
      trace: {
        file: file.value.name.slice(0, 200),
        hash,
        turns: Number(found.turns.toFixed(1)),
        rpm: Math.round(found.rpm.mean),
        error: Number(error.toFixed(4)),
        spread: Number(spread.toFixed(4)),
        edges,
        ...(waver
          ? { waver: { amplitude: Number(waver.amplitude.toFixed(2)), turns: Number(waver.turns.toFixed(2)) } }
          : {}),
        ...(good.value ? { good: good.value.name.slice(0, 200) } : {})
      }
    })
  }
  keeping.value = false
  saved.value = true
}
useHead({ title: () => TRACE_PAGE.title(job.job.vehicle) })
</script>

<template>
  <div class="flex h-dvh flex-col">
    <TopBar
      ><h1 class="truncate font-bold">{{ TRACE_PAGE.heading }}</h1>
      <p class="truncate text-faint">{{ job.job.vehicle }}</p></TopBar
    >
    <main class="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_22rem] max-md:grid-cols-1 max-md:overflow-y-auto">
      <div class="flex min-h-0 flex-col bg-plate max-md:h-[70dvh]">
        <div class="flex flex-wrap items-center gap-3 p-2 text-scribe">
          <NuxtLink class="act inline-flex items-center" :to="`/jobs/${job.id}?station=2`" :prefetch="false">{{
            TRACE_PAGE.back
          }}</NuxtLink>
          <p v-if="loaded" class="text-note" data-testid="trace-held">
            <b>{{ file?.name ?? TRACE_PAGE.live }}</b>
            {{
              TRACE_PAGE.held(
                fixDigits(loaded.count / loaded.rate, 2),
                loaded.count.toLocaleString('en'),
                fixDigits(loaded.rate, 0)
              )
            }}
          </p>
        </div>
        <div class="min-h-0 flex-1">
          <ChannelPlot
            v-if="loaded"
            :names="shown"
            :count="loaded.count"
            :rate="loaded.rate"
            :version="version"
            :extremes="scope.extremes" />
          <p v-else class="max-w-xl p-6 text-scribe">{{ TRACE_PAGE.none }}</p>
        </div>
        <div v-if="trace" class="shrink-0 p-2"><CycleFold :sheet="sheet" :trace="trace" /></div>
      </div>
      <aside class="flex min-h-0 flex-col gap-3 overflow-y-auto border-l border-rule bg-sheet p-4">
        <div v-if="share >= 0" role="status">
          <p>{{ TRACE_PAGE.reading(fixDigits(100 * share, 0)) }}</p>
          <progress class="w-full" :value="share" max="1" />
          <button type="button" class="act mt-1" data-testid="trace-cancel" @click="cancel">
            {{ TRACE_PAGE.cancel }}
          </button>
        </div>
        <template v-else>
          <TakeFile
            :class="loaded ? 'act w-full' : 'act-main w-full'"
            :label="TRACE_PAGE.choose"
            accept=".csv,.wav,text/csv,audio/wav"
            test-id="trace-file"
            @file="read"
            >{{ TRACE_PAGE.choose }}</TakeFile
          >
          <button type="button" class="act w-full" data-testid="practice-scope" @click="connect">
            {{ TRACE_PAGE.practice }}
          </button>
        </template>
        <p v-if="!loaded" class="text-note text-faint">{{ TRACE_PAGE.worth }}</p>
        <p v-if="again && !loaded" class="border-l-4 border-brass bg-paper p-2 text-note" data-testid="trace-again">
          {{ TRACE_PAGE.keptFrom(again.trace!.file, again.trace!.turns) }} {{ TRACE_PAGE.again }}
        </p>
        <p v-if="again && file && file.name !== again.trace!.file" class="text-note">
          {{ TRACE_PAGE.anotherFile(again.trace!.file) }}
        </p>
        <p v-if="!sheet.triggers" class="text-note">{{ TRACE_PAGE.noWheels }}</p>
        <FaultNote v-if="problem">{{ problem }}</FaultNote>
        <Field v-if="!loaded" v-model="rate" :label="TRACE_PAGE.rate" inputmode="decimal" data-testid="trace-rate" />
        <template v-if="loaded">
          <ChannelMap v-model="map" :wanted="wanted" :columns="loaded.names" />
          <div class="flex flex-wrap items-center gap-2 text-note">
            <TakeFile
              class="act"
              :label="TRACE_PAGE.good"
              accept=".csv,.wav,text/csv,audio/wav"
              test-id="trace-good"
              @file="good = $event"
              >{{ good ? TRACE_PAGE.goodOf(good.name) : TRACE_PAGE.good }}</TakeFile
            >
            <button v-if="good" type="button" class="act-bare" @click="good = null">{{ TRACE_PAGE.goodAway }}</button>
          </div>
        </template>
        <section v-if="trace" class="border-t border-rule pt-3" :aria-label="TRACE_PAGE.result" aria-live="polite">
          <h2 class="label">{{ TRACE_PAGE.result }}</h2>
          <div v-for="[id, cam] in cams" :key="id" class="mt-1" :data-testid="`lag-${id}`">
            <p class="flex items-baseline justify-between gap-2">
              <span>{{ partName(sheet, id) }}</span><span class="figure text-xl">{{
                TRACE_PAGE.lagOf(lagWords(cam.lag), fixDigits(NINETY * sigmaOf(cam.error), 1))
              }}</span>
            </p>
            <p class="text-note text-faint">{{ TRACE_PAGE.spread(fixDigits(cam.spread, 2), cam.edges) }}</p>
            <p v-if="cam.waver" class="text-note">
              {{ TRACE_PAGE.waver(fixDigits(cam.waver.amplitude, 1), fixDigits(cam.waver.turns, 1)) }}
            </p>
          </div>
          <p class="mt-1 text-note text-faint">
            {{ TRACE_PAGE.turns(fixDigits(trace.turns, 0), fixDigits(trace.rpm.mean, 0)) }}
          </p>
          <template v-if="trace.faults.length">
            <h2 class="label mt-2">{{ TRACE_PAGE.faults }}</h2>
            <p v-for="fault in trace.faults" :key="JSON.stringify(fault)" class="text-note" data-testid="trace-fault">
              {{ sayTrace(fault, namesOf(sheet)) }}
            </p>
          </template>
          <Field v-model="tolerance" class="mt-2" :label="TRACE_PAGE.wheel" inputmode="decimal" />
          <p class="text-note text-faint">{{ TRACE_PAGE.wheelSays }}</p>
          <button
            type="button"
            class="act-main mt-2 w-full"
            data-testid="keep-trace"
            :disabled="!who.by || saved || keeping"
            @click="keep">
            {{ TRACE_PAGE.keep }}
          </button>
          <p v-if="!who.by" class="text-note">{{ TRACE_PAGE.whoFirst }}</p>
          <p v-if="saved" role="status">{{ TRACE_PAGE.kept }}</p>
        </section>
        <Caution class="mt-auto" lead="">{{ TRACE_PAGE.aid }}</Caution>
      </aside>
    </main>
  </div>
</template>
