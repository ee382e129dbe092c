<script setup lang="ts">
import type { PartCall, Reason } from '../../../core/calls/types'
import type { StandingReading } from '../../../core/job/acts'
import type { DriveSheet } from '../../../core/sheet/types'
import { READING_KINDS } from '../../../core/readings/kinds'
import { howWords, kindWords, partName, readingWords } from '../../words'
import CallMark from '../parts/CallMark.vue'
import WhenAt from '../parts/WhenAt.vue'

/** One part's call with its reasons; each reason names its readings and where its limit comes from. */
const props = defineProps<{ sheet: DriveSheet; call: PartCall; readings: readonly StandingReading[]; bench: string }>()

const behind = (reason: Reason) => reason.readings.map((i) => props.readings[i]).filter((r): r is StandingReading => r !== undefined)
const settles = (reason: Reason) => (reason.settle ? `${READING_KINDS[reason.settle.kind].name}, ${partName(props.sheet, reason.settle.target).toLowerCase()}` : '')
</script>

<template>
  <article class="grid grid-cols-[150px_1fr] gap-4 border-t border-rule py-4" :data-testid="`call-${call.part}`" :data-call="call.call">
    <div class="pt-0.5"><CallMark :call="call.call" :size="26" /></div>
    <div>
      <h3 class="text-lg leading-tight font-bold">{{ partName(sheet, call.part) }}</h3>
      <ul class="mt-1 space-y-2">
        <li v-for="reason in call.reasons" :key="reason.rule + reason.text">
          <p>{{ reason.text }}</p>
          <p v-if="reason.limit" class="text-[13px] text-faint">Limit {{ reason.limit.value }} {{ reason.limit.unit }}, from {{ reason.limit.source }}; the maker's manual decides.</p>
          <p v-if="behind(reason).length" class="flex flex-wrap gap-x-3 text-[13px]">
            <span v-for="reading in behind(reason)" :key="reading.id" class="border-l-2 border-brass pl-2">
              {{ kindWords(sheet, reading) }} <span class="figure font-normal">{{ readingWords(reading) }}</span><span class="text-faint">, {{ [howWords(reading).toLowerCase(), reading.by].filter(Boolean).join(', ') }}, <WhenAt :at="reading.at" /></span>
            </span>
          </p>
          <p v-if="reason.release" class="text-[13px]"><b>Released by:</b> {{ reason.release }}</p>
          <p v-if="settles(reason)" class="text-[13px]">What would settle it: <NuxtLink :to="`${bench}?read=${reason.settle!.kind}:${reason.settle!.target}`" class="underline decoration-brass underline-offset-2">{{ settles(reason) }}</NuxtLink></p>
        </li>
      </ul>
    </div>
  </article>
</template>
