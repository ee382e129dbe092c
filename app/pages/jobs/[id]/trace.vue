<script setup lang="ts">
import { namesOf, sayTrace, TRACE_PAGE, thousands } from '../../../../words/en'
import { computed, ref } from 'vue'
import { NINETY } from '../../../../core/math'
import { tracedCamsOf, traceKeptWith } from '../../../../core/views/traces'
import Caution from '../../../components/parts/Caution.vue'
import FaultNote from '../../../components/parts/FaultNote.vue'
import Field from '../../../components/parts/Field.vue'
import TakeFile from '../../../components/parts/TakeFile.vue'
import TopBar from '../../../components/parts/TopBar.vue'
import ChannelMap from '../../../components/trace/ChannelMap.vue'
import ChannelPlot from '../../../components/trace/ChannelPlot.vue'
import CycleFold from '../../../components/trace/CycleFold.vue'
import GoodTraces from '../../../components/trace/GoodTraces.vue'
import KeepTrace from '../../../components/trace/KeepTrace.vue'
import TraceStrips from '../../../components/trace/TraceStrips.vue'
import WaverLoop from '../../../components/trace/WaverLoop.vue'
import { numberOf } from '../../../components/bench/draft'
import { useTrace } from '../../../composables/useTrace'
import { useOpenJob } from '../../../stores/job'
import { fixDigits, lagWords, partName } from '../../../words'

/** A trace of crank and cams: channels, edges over the cycle, lag of each cam, kept as readings. */
const route = useRoute()
const job = useOpenJob()
const sheet = computed(() => job.job.sheet)
/** Is it a trace of the rebuilt engine? Then it is part of the proof. */
const rebuilt = ref(route.query.round === 'proof')
const { scope, file, good, kept, loaded, trace, problem, share, version, rate, wanted, map, ...does } = useTrace(
  // By itself: what is entered meanwhile makes a job anew, and would have the trace decoded anew with it.
  () => sheet.value,
  () => `/api/jobs/${job.id}/scope.csv?rebuilt=${rebuilt.value}`
)
const { read, cancel, connect, asGood, against, decoding } = does

const channels = computed(() =>
  wanted.value.flatMap(({ id, label }) => (map.value[id] ? [{ name: map.value[id]!, label }] : []))
)
const shown = computed(() =>
  channels.value.length > 0 ? channels.value : (loaded.value?.names ?? []).map((name) => ({ name, label: name }))
)
const cams = computed(() => Object.entries(trace.value?.cams ?? {}))
const traced = computed(() => tracedCamsOf(sheet.value, job.record, job.acts))
const before = computed(() =>
  Object.fromEntries(traced.value.flatMap(({ cam, before: was }) => (was ? [[cam, was.value] as const] : [])))
)

/** The reading that the page was opened for again. */
const again = computed(() => {
  const act = job.acts.find(({ id }) => id === String(route.query.reading ?? ''))
  return (act?.type === 'read' || act?.type === 'rebuilt') && act.trace ? act : null
})

/** What is drawn: the trace that is read, or what was kept of the one that the reading came from. */
const drawn = computed(
  () => trace.value ?? (loaded.value || !again.value ? null : traceKeptWith(again.value.id, job.acts))
)

const tolerance = ref('0.3')
/** crank degrees: a wheel is fitted no better, unless it is the very one of the good trace. */
const sigmaOf = (error: number) =>
  Math.hypot(error, kept.value?.error ?? 0, kept.value?.own ? 0 : (numberOf(tolerance.value) ?? 0.3))

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
                thousands(loaded.count),
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
          <p v-else-if="drawn" class="max-w-xl p-6 text-scribe">{{ TRACE_PAGE.asKept }}</p>
          <p v-else class="max-w-xl p-6 text-scribe">{{ TRACE_PAGE.none }}</p>
        </div>
        <div
          v-if="drawn"
          class="shrink-0 space-y-2 overflow-y-auto p-2"
          :class="loaded ? 'max-h-[52%]' : 'max-h-[80%]'"
          :data-testid="trace ? undefined : 'trace-as-kept'">
          <CycleFold :sheet="against" :trace="drawn" :before="trace || again?.type === 'rebuilt' ? before : {}" />
          <TraceStrips :sheet="sheet" :trace="drawn" />
          <template v-if="!trace"
            ><template v-for="(cam, id) in drawn.cams" :key="id"
              ><WaverLoop
                v-if="cam.waver"
                class="text-scribe"
                beside
                :sheet="sheet"
                :cam="String(id)"
                :waver="cam.waver"
            /></template>
          </template>
        </div>
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
          <GoodTraces
            v-model:file="good"
            v-model:kept="kept"
            :read-by-file="file"
            :as-good="asGood"
            :hash="scope.hash" />
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
            <p v-if="id in before" class="text-note" data-testid="lag-before">
              {{ TRACE_PAGE.beforeWas(lagWords(before[id]!)) }}
            </p>
            <template v-if="cam.waver">
              <p class="text-note">
                {{ TRACE_PAGE.waver(fixDigits(cam.waver.amplitude, 1), fixDigits(cam.waver.turns, 1)) }}
              </p>
              <WaverLoop :sheet="sheet" :cam="id" :waver="cam.waver" />
            </template>
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
          <p v-if="kept?.own" class="mt-2 text-note text-faint">{{ TRACE_PAGE.ownWheels }}</p>
          <template v-else>
            <Field v-model="tolerance" class="mt-2" :label="TRACE_PAGE.wheel" inputmode="decimal" />
            <p class="text-note text-faint">{{ TRACE_PAGE.wheelSays }}</p>
          </template>
          <KeepTrace
            v-if="file"
            v-model="rebuilt"
            :trace="trace"
            :file="file"
            :busy="decoding"
            :good="good?.name ?? kept?.file ?? ''"
            :again="again?.id ?? ''"
            :sigma-of="sigmaOf"
            :hash="scope.hash" />
        </section>
        <Caution class="mt-auto" lead="">{{ TRACE_PAGE.aid }}</Caution>
      </aside>
    </main>
  </div>
</template>
