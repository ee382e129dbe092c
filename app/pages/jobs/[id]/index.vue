<script setup lang="ts">
import { ArrowDownTrayIcon } from '@heroicons/vue/20/solid'
import { computed } from 'vue'
import type { StandingReading } from '../../../../core/job/acts'
import { fills, type Station } from '../../../../core/job/slots'
import ReadingSheet from '../../../components/bench/ReadingSheet.vue'
import StationSpine from '../../../components/bench/StationSpine.vue'
import StretchLedger from '../../../components/ledger/StretchLedger.vue'
import DriveMap from '../../../components/map/DriveMap.vue'
import TopBar from '../../../components/parts/TopBar.vue'
import { useJob } from '../../../stores/job'
import { usageWords } from '../../../words'

/** The bench: spine, drive map, reading sheet, and the stretch ledger at the foot. */
const job = useJob()

const read = computed(() => new Set(job.slots.filter((slot) => job.readingsOf(slot).length > 0).map((slot) => slot.key)))
const chosenRun = computed(() => (job.slot?.kind === 'linkCount' ? `${job.slot.target.chain}:${job.slot.target.from}:${job.slot.target.to}` : ''))
const chosenPart = computed(() => (job.slot?.kind === 'linkCount' ? '' : job.slot?.kind === 'phaserPlay' ? (phaserSprocket(job.slot.part) ?? '') : (job.slot?.part ?? '')))
const lastAct = computed(() => job.acts.findLast((act) => !job.record.undone.has(act.id)) ?? null)

function phaserSprocket(id: string) {
  return job.job!.sheet.phasers.find((phaser) => phaser.id === id)?.sprocket
}

// A link may name the reading to go to: ?read=groove:guide
const [kind, target] = String(useRoute().query.read ?? '').split(':')
const asked = job.slots.find((slot) => slot.kind === kind && target !== undefined && Object.values(slot.target).includes(target))
if (asked) job.selected = asked.key

/** Chooses the first of some slots that is not read yet, else the first. */
function choose(keys: readonly string[]) {
  const key = keys.find((k) => !read.value.has(k)) ?? keys[0]
  if (key) job.selected = key
}

function choosePart(id: string) {
  const driver = job.job!.sheet.chains.find((chain) => chain.driver === id)
  const of = job.slots.filter((slot) => (driver ? slot.kind === 'linkCount' && slot.target.from === id : slot.part === id && slot.kind !== 'linkCount'))
  choose(of.map((slot) => slot.key))
}

const chooseRun = (chain: string, from: string, to: string) => choose(job.slots.filter(({ target }) => target.chain === chain && target.from === from && target.to === to).map((s) => s.key))
const chooseStation = (station: Station) => choose(job.slots.filter((slot) => slot.station === station).map((s) => s.key))
const chooseReading = (reading: StandingReading) => choose(job.slots.filter((slot) => fills(slot, reading)).map((s) => s.key))

function takeBack() {
  if (lastAct.value) job.put({ type: 'undo', act: lastAct.value.id })
}
</script>

<template>
  <div class="grid h-dvh min-h-[680px] grid-rows-[auto_1fr_auto]">
    <TopBar>
      <h1 class="truncate leading-tight"><b>{{ job.job!.vehicle }}</b> <span class="text-faint">{{ job.job!.stand }}, {{ usageWords(job.job!.usage) }}</span></h1>
      <p class="truncate text-[13px] text-faint">{{ job.job!.sheet.name }}. {{ job.job!.complaint }}</p>
      <template #acts>
        <a :href="`/api/jobs/${job.id}/export`" download class="act flex items-center gap-2"><ArrowDownTrayIcon class="size-4" aria-hidden="true" />Export</a>
      </template>
    </TopBar>
    <main class="grid min-h-0 grid-cols-[132px_1fr_352px]">
      <StationSpine :slots="job.slots" :read="read" :current="job.slot?.station ?? null" :verdict="`/jobs/${job.id}/verdict`" @station="chooseStation" />
      <ClientOnly>
        <DriveMap
          :sheet="job.job!.sheet" :corrections="job.job!.corrections" :assessment="job.assessment!" :readings="job.record.readings"
          :chosen="chosenPart" :chosen-run="chosenRun" @part="choosePart" @run="chooseRun"
        />
        <template #fallback><div class="bg-plate" /></template>
      </ClientOnly>
      <ReadingSheet v-if="job.slot" :slot="job.slot" />
    </main>
    <StretchLedger
      :sheet="job.job!.sheet" :assessment="job.assessment!" :readings="job.record.readings" :change="job.change" :failed="job.failed"
      :next="job.worthTaking()" :can-take-back="lastAct !== null" @take="job.selected = $event.key" @reading="chooseReading" @take-back="takeBack"
    />
  </div>
</template>
