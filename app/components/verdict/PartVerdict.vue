<script setup lang="ts">
import { midSentence } from '../../../words/spoken'
import { COMMON, PART_VERDICT, namesOf, sayReason, sayRelease } from '../../../words/en'
import { computed, ref } from 'vue'
import type { ActOf, HeldCall, StandingReading } from '../../../core/record'
import { type Call, type Reason, SEVERITY } from '../../../core/calls'
import type { DriveSheet } from '../../../core/sheet'
import { CALL_WORDS, howWords, KIND_NAMES, kindWords, partName, readingWords } from '../../words'
import CallMark from '../parts/CallMark.vue'
import ChoiceRow from '../parts/ChoiceRow.vue'
import WhenAt from '../parts/WhenAt.vue'
import Field from '../parts/Field.vue'

/**
 * One part's call with its reasons; each reason names its readings and where its limit comes from. A mechanic may say
 * otherwise, with a reason that stays visible.
 */
const props = defineProps<{
  sheet: DriveSheet
  call: HeldCall
  readings: readonly StandingReading[]
  photos: readonly ActOf<'photo'>[]
  bench: string
  mayOverrule: boolean
}>()
const emit = defineEmits<{ overrule: [call: Call, reason: string]; takeBack: [] }>()

const behind = (reason: Reason) => props.readings.filter(({ id }) => reason.readings.includes(id))
const settles = (reason: Reason) =>
  reason.settle ? `${KIND_NAMES[reason.settle.kind]}, ${midSentence(partName(props.sheet, reason.settle.target))}` : ''
const says = (reason: Reason) => sayReason(reason, namesOf(props.sheet))
const pictures = computed(() => props.photos.filter(({ part }) => part === props.call.part))
const saying = ref(false)
const chosen = ref<Call>('renew')
const why = ref('')
const missing = ref(false)
const options = SEVERITY.map((value) => ({ value, label: CALL_WORDS[value] }))

function begin() {
  chosen.value = props.call.holds
  why.value = ''
  missing.value = false
  saying.value = true
}

function say() {
  missing.value = why.value.trim() === ''
  if (missing.value) return
  emit('overrule', chosen.value, why.value.trim())
  saying.value = false
}
</script>

<template>
  <article
    class="grid grid-cols-[150px_1fr] gap-4 border-t border-rule py-4 max-md:grid-cols-1"
    :data-testid="`call-${call.part}`"
    :data-call="call.holds">
    <div class="pt-0.5"><CallMark :call="call.holds" :size="26" /></div>
    <div>
      <div class="flex items-start gap-3">
        <h3 class="flex-1 text-lg leading-tight font-bold">{{ partName(sheet, call.part) }}</h3>
        <button v-if="mayOverrule && !saying" type="button" class="act-bare no-print -mt-2 text-body" @click="begin">
          {{ PART_VERDICT.decideOtherwise }}
        </button>
      </div>
      <div v-if="call.overruled" class="mt-1 border-l-4 border-brass bg-sheet p-2" data-testid="overruled">
        <p>
          <b>{{ PART_VERDICT.decided(call.overruled.by, midSentence(CALL_WORDS[call.overruled.call])) }}</b>
          {{ call.overruled.reason }}
        </p>
        <p class="text-note text-faint">
          <WhenAt :at="call.overruled.at" />.
          {{
            call.reasons.length
              ? PART_VERDICT.theReadingsSay(midSentence(CALL_WORDS[call.call]))
              : PART_VERDICT.theReadingsSayNothingOf
          }}
          <button v-if="mayOverrule" type="button" class="act-bare" @click="emit('takeBack')">
            {{ COMMON.takeBack }}
          </button>
        </p>
      </div>
      <form v-if="saying" class="mt-2 space-y-2 border-l-4 border-brass bg-sheet p-3" @submit.prevent="say">
        <ChoiceRow v-model="chosen" :label="PART_VERDICT.whatHappensToIt" :options="options" />
        <Field
          v-model="why"
          :label="PART_VERDICT.why"
          :rows="2"
          maxlength="1000"
          :fault="missing ? PART_VERDICT.sayWhyTheReasonStands : ''" />
        <div class="flex gap-2">
          <button type="submit" class="act">{{ PART_VERDICT.decide }}</button><button
            type="button"
            class="act-bare"
            @click="saying = false">
            {{ PART_VERDICT.leaveItToTheReadings }}
          </button>
        </div>
      </form>
      <ul class="mt-1 space-y-2" :class="call.overruled ? 'opacity-75' : ''">
        <li v-for="reason in call.reasons" :key="reason.rule + says(reason)">
          <p>{{ says(reason) }}</p>
          <p v-if="reason.limit" class="text-note text-faint">
            {{ PART_VERDICT.limitFromTheMakersManual(reason.limit.value, reason.limit.unit, reason.limit.source) }}
          </p>
          <p v-if="behind(reason).length" class="flex flex-wrap gap-x-3 text-note">
            <span v-for="reading in behind(reason)" :key="reading.id" class="border-l-2 border-brass pl-2">
              {{ kindWords(sheet, reading)
              }}<template v-if="readingWords(reading)"
                >{{ ' ' }}<span class="figure font-normal">{{ readingWords(reading) }}</span></template
              ><span class="text-faint"
                >, {{ [midSentence(howWords(reading)), reading.by].filter(Boolean).join(', ') }},
                <WhenAt :at="reading.at"
              /></span>
            </span>
          </p>
          <p v-if="reason.release" class="text-note">
            <b>{{ COMMON.releasedBy }}</b> {{ sayRelease(reason.release, namesOf(sheet)) }}
          </p>
          <p v-if="reason.settle && settles(reason)" class="text-note">
            {{ PART_VERDICT.whatWouldSettleIt }}
            <NuxtLink
              :to="`${bench}?read=${reason.settle.kind}:${reason.settle.target}`"
              class="underline decoration-brass underline-offset-2"
              >{{ settles(reason) }}</NuxtLink
            >
          </p>
        </li>
      </ul>
      <p v-if="pictures.length" class="mt-2 flex flex-wrap gap-2">
        <a v-for="picture in pictures" :key="picture.photo" :href="`/api/photos/${picture.photo}`" target="_blank"
          ><img
            :src="`/api/photos/${picture.photo}?size=thumb`"
            class="h-20 border border-rule"
            :alt="picture.note || PART_VERDICT.photoOf(midSentence(partName(sheet, call.part)))"
        /></a>
      </p>
    </div>
  </article>
</template>
