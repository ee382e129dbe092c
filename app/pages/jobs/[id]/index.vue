<script setup lang="ts">
import { BENCH } from '../../../../words/en'
import { ArrowDownTrayIcon } from '@heroicons/vue/20/solid'
import { useMediaQuery, useMounted } from '@vueuse/core'
import { $fetch } from 'ofetch'
import { computed, onMounted, ref } from 'vue'
import { lastOwn, type StandingReading } from '../../../../core/record'
import { fills, type Station, stationOfFinding, STATIONS } from '../../../../core/views/bench'
import type { ListedSheet } from '../../../../server/store/sheets'
import StationSpine from '../../../components/bench/StationSpine.vue'
import StretchLedger from '../../../components/ledger/StretchLedger.vue'
import TopBar from '../../../components/parts/TopBar.vue'
import NextFrame from '../../../components/parts/NextFrame.vue'
import { useHand } from '../../../hand'
import { useShortcuts } from '../../../composables/useShortcuts'
import { useBench } from '../../../stores/bench'
import { useNearJump } from '../../../composables/useNearJump'
import { useOpenJob } from '../../../stores/job'
import { usageWords } from '../../../words'
import { later, loadLater } from '../../../later'
import { compileSheet } from '../../../../core/sheet'

/** Not shown at the first station. */
const DriveMap = later(() => import('../../../components/map/DriveMap.vue'))
const MapWaver = later(() => import('../../../components/map/MapWaver.vue'))
const StationHint = later(() => import('../../../components/bench/StationHint.vue'))
const ShortcutSheet = later(() => import('../../../components/bench/ShortcutSheet.vue'))
const PartPanel = later(() => import('../../../components/bench/PartPanel.vue'))
const BeforeCovers = later(() => import('../../../components/station/BeforeCovers.vue'))
const ComplaintSheet = later(() => import('../../../components/station/ComplaintSheet.vue'))
const SuspectList = later(() => import('../../../components/station/SuspectList.vue'))

const PhoneCamera = later(() => import('../../../components/bench/PhoneCamera.vue'))

/** Asked for only when there is a newer sheet to look at: kept out of the bench's own script. */
const SheetMove = later(() => import('../../../components/bench/SheetMove.vue'))

/** The bench: spine, the station in the middle and at the right, and the stretch ledger at the foot. */
const job = useOpenJob()
const near = useNearJump()
const bench = useBench()
const route = useRoute()
const help = ref(false)
/** On a telephone the drive stands small above what is read of it, and can be opened. */
const isPhone = useMediaQuery('(max-width: 767px)')
const large = ref(false)

const chosenRun = computed(() =>
  job.slot?.kind === 'linkCount' ? `${job.slot.target.chain}:${job.slot.target.from}:${job.slot.target.to}` : ''
)
const chosenPart = computed(() => {
  if (job.slot?.kind === 'linkCount') return ''
  const part = job.slot?.part ?? job.part
  return compileSheet(job.job.sheet).phasers.get(part)?.sprocket ?? part
})
const lastAct = computed(() => lastOwn(job.acts, job.record, bench.by))
const next = computed(() => job.worthTaking())

// A link may name the station, or the reading to go to: ?read=groove:guide
const [kind, target] = String(route.query.read ?? '').split(':')
const asked = job.slots.find(
  (slot) => slot.kind === kind && target !== undefined && Object.values(slot.target).includes(target)
)
const station = Number(route.query.station)
if (asked) job.openSlot(asked)
else if (station in STATIONS) job.openStation(station as Station)

/**
 * Touching a part opens what can be read on it, what is not read yet first; a part without figures shows its findings.
 */
function choosePart(id: string) {
  const driver = job.job.sheet.chains.some((chain) => chain.driver === id)
  const mine = job.slots.filter((slot) =>
    driver ? slot.kind === 'linkCount' && slot.target.from === id : slot.part === id && slot.kind !== 'linkCount'
  )
  const found = mine.find((slot) => job.readingsOf(slot).length === 0) ?? mine[0]
  if (found) job.openSlot(found)
  else job.openSide(id, 'findings')
}

const chooseRun = (chain: string, from: string, to: string) =>
  job.openSlot(job.slots.find(({ target: t }) => t.chain === chain && t.from === from && t.to === to) ?? null)

function chooseReading(reading: StandingReading) {
  if (reading.kind !== 'condition') return job.openSlot(job.slots.find((slot) => fills(slot, reading)) ?? null)
  job.openStation(stationOfFinding(job.job.sheet, reading))
  job.openSide(reading.target ?? '', 'findings')
}

function takeBack() {
  if (lastAct.value) job.put({ type: 'undo', act: lastAct.value.id })
}

/** Is there a newer revision of the job's sheet? Without an answer the job goes on with the one it has. */
const newest = ref(0)
const newerSheet = computed(() => newest.value > (job.job.sheetRevision ?? Infinity))
onMounted(async () => {
  if (!job.job.sheetRevision) return
  const all = await $fetch<ListedSheet[]>('/api/sheets').catch(() => [])
  newest.value = all.find(({ id }) => id === job.job.sheet.id)?.revision ?? 0
})

const hand = useHand()
/** Known on the device alone: the server draws the bench right-handed. */
const isMounted = useMounted()
const isLeft = computed(() => isMounted.value && hand.value === 'left')
/** What explains a station comes once the page stands. */
const isQuiet = ref(false)
onMounted(() => loadLater(() => (isQuiet.value = true)))

useShortcuts({
  '1-7': (key) => job.openStation(Number(key) as Station),
  8: () => void navigateTo(`/jobs/${job.id}/verdict`),
  n: () => job.openSlot(next.value),
  u: takeBack,
  f: () => job.openSide(job.slot?.part ?? job.part, 'findings'),
  p: () => job.openSide(job.slot?.part ?? job.part, 'photos'),
  '?': () => (help.value = true)
})
</script>

<template>
  <div class="grid h-dvh min-h-[680px] grid-cols-[minmax(0,1fr)] grid-rows-[auto_minmax(0,1fr)_auto] max-md:h-auto">
    <div>
      <TopBar>
        <h1 class="truncate leading-tight">
          <b>{{ job.job.vehicle }}</b>{{ ' '
          }}<span class="text-faint">{{ job.job.stand }}, {{ usageWords(job.job.usage) }}</span>
        </h1>
        <p class="truncate text-note text-faint">{{ job.job.sheet.name }}. {{ job.job.complaint }}</p>
        <template #acts>
          <SheetMove v-if="newerSheet" />
          <ClientOnly><PhoneCamera /></ClientOnly>
          <a :href="`/api/jobs/${job.id}/export`" download class="act flex items-center gap-2 max-md:hidden"
            ><ArrowDownTrayIcon class="size-4" aria-hidden="true" />{{ BENCH.export }}</a
          >
          <button
            type="button"
            class="act max-md:hidden"
            :aria-label="BENCH.keys"
            data-testid="keys"
            @click="help = true">
            ?
          </button>
        </template>
      </TopBar>
      <ClientOnly><StationHint v-if="isQuiet" :station="job.station" /></ClientOnly>
    </div>
    <main
      class="grid min-h-0 grid-cols-[140px_minmax(0,1fr)_352px] max-lg:grid-cols-[112px_minmax(0,1fr)_320px] max-md:grid-cols-1"
      :class="isLeft ? 'left-handed' : ''">
      <StationSpine
        :stations="job.stations"
        :current="job.station"
        :next="next?.station ?? null"
        :verdict="`/jobs/${job.id}/verdict`"
        @station="job.openStation" />
      <ComplaintSheet v-if="job.station === 1" />
      <div v-else class="bench-map relative min-h-0" :class="large ? 'max-md:h-[70dvh]' : 'max-md:h-52'">
        <NextFrame>
          <DriveMap
            :sheet="job.job.sheet"
            :corrections="job.corrections"
            :assessment="job.assessment"
            :readings="job.record.readings"
            :chosen="chosenPart"
            :chosen-run="chosenRun"
            :near="near"
            :bare="isPhone && !large"
            @part="choosePart"
            @run="chooseRun">
            <template #default="plate"><MapWaver v-bind="plate" :cam="chosenPart" /></template>
          </DriveMap>
          <template #fallback><div class="h-full bg-plate" /></template>
        </NextFrame>
        <button
          type="button"
          class="act absolute right-1 bottom-1 z-10 md:hidden"
          :aria-expanded="large"
          data-testid="map-size"
          @click="large = !large">
          {{ large ? BENCH.mapSmaller : BENCH.mapLarger }}
        </button>
      </div>
      <SuspectList v-if="job.station === 1" />
      <BeforeCovers v-else-if="job.station === 2" />
      <PartPanel v-else />
    </main>
    <StretchLedger
      :sheet="job.job.sheet"
      :assessment="job.assessment"
      :readings="job.record.readings"
      :change="job.change"
      :failed="job.failed"
      :next="next"
      :can-take-back="lastAct !== null"
      @take="job.openSlot($event)"
      @reading="chooseReading"
      @correct="(reading, as) => job.put({ type: 'read', reading: as, supersedes: reading.id })"
      @take-back="takeBack"
      @explain="navigateTo(`/jobs/${job.id}/explain`)" />
    <ShortcutSheet v-if="help" v-model:open="help" />
  </div>
</template>
