<script setup lang="ts">
import { saySound, SOUND_PAGE } from '../../../../words/en'
import { $fetch } from 'ofetch'
import { computed, ref, watch } from 'vue'
import { compareHeard, type Heard } from '../../../../core/sound'
import type { Reading } from '../../../../core/readings'
import Caution from '../../../components/parts/Caution.vue'
import FaultNote from '../../../components/parts/FaultNote.vue'
import TakeFile from '../../../components/parts/TakeFile.vue'
import TopBar from '../../../components/parts/TopBar.vue'
import SoundPicture from '../../../components/sound/SoundPicture.vue'
import { useMicrophone } from '../../../composables/useMicrophone'
import { useRecording } from '../../../composables/useRecording'
import type { Player } from '../../../dom'
import { shownProblem } from '../../../problem'
import { useBench } from '../../../stores/bench'
import { useOpenJob } from '../../../stores/job'
import { fixDigits } from '../../../words'

/** A recording of the running engine: speed, seconds to quiet, rhythms; said of the complaint where it is meant so. */
const job = useOpenJob()
const who = useBench()
const sheet = () => job.job.sheet
const { file, src, seconds, heard, picture, problem, busy, read } = useRecording(sheet)
const other = useRecording(sheet)
const { recording, length, start, stop, refused } = useMicrophone(read)

async function practise(rebuilt: boolean) {
  try {
    const taken = await $fetch<ArrayBuffer, 'arrayBuffer'>(`/api/jobs/${job.id}/engine.wav`, {
      query: { rebuilt },
      responseType: 'arrayBuffer'
    })
    const name = rebuilt ? 'practice-rebuilt.wav' : 'practice-microphone.wav'
    await (rebuilt ? other.read : read)(new File([taken], name, { type: 'audio/wav' }))
  } catch (error) {
    problem.value = shownProblem(error).message
  }
}

const compared = computed(() => {
  if (!heard.value || !other.heard.value) return ''
  const found = compareHeard(heard.value, other.heard.value)
  return found === null
    ? SOUND_PAGE.noCommonSpeed
    : SOUND_PAGE.compared(
        fixDigits(Math.abs(found.decibels), 0),
        found.decibels < 0,
        fixDigits(found.low, 0),
        fixDigits(found.high, 0)
      )
})

const player = ref<Player | null>(null)
const at = ref(0)
function seek(to: number) {
  if (player.value) player.value.currentTime = to
}

/** Clatter below this is none. */
const LITTLE = 0.3
const quietWords = ({ quietAfter, clatter }: Heard) =>
  quietAfter !== null
    ? SOUND_PAGE.quiet(fixDigits(quietAfter, 1))
    : clatter > LITTLE
      ? SOUND_PAGE.always
      : SOUND_PAGE.noClatter

/** What it says of the complaint, in the complaint's own words. */
const finding = computed(() => {
  const found = heard.value
  if (!found) return null
  if (found.quietAfter === null) return found.clatter > LITTLE ? 'noise-always' : 'noise-none'
  return found.quietAfter < 1 ? 'noise-under-a-second' : 'noise-seconds'
})
const saved = ref(false)
watch(heard, () => (saved.value = false))
function say() {
  if (!finding.value || !who.by) return
  job.put({
    type: 'read',
    reading: {
      kind: 'condition',
      target: 'engine',
      finding: finding.value,
      ...(finding.value === 'noise-seconds' ? { value: Number(heard.value!.quietAfter!.toFixed(1)) } : {}),
      heardBy: 'recording',
      note: SOUND_PAGE.note(file.value?.name ?? '')
    } as Reading
  })
  saved.value = true
}
useHead({ title: () => SOUND_PAGE.title(job.job.vehicle) })
</script>

<template>
  <div class="flex h-dvh flex-col">
    <TopBar
      ><h1 class="truncate font-bold">{{ SOUND_PAGE.heading }}</h1>
      <p class="truncate text-faint">{{ job.job.vehicle }}</p></TopBar
    >
    <main class="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_22rem] max-md:grid-cols-1 max-md:overflow-y-auto">
      <div class="flex min-h-0 flex-col bg-plate max-md:h-[60dvh]">
        <div class="flex flex-wrap items-center gap-3 p-2 text-scribe">
          <NuxtLink class="act inline-flex items-center" :to="`/jobs/${job.id}?station=1`" :prefetch="false">{{
            SOUND_PAGE.back
          }}</NuxtLink>
          <audio
            v-if="src"
            ref="player"
            :src="src"
            controls
            class="h-11 min-w-0 flex-1"
            :aria-label="SOUND_PAGE.play"
            @timeupdate="at = player?.currentTime ?? 0" />
        </div>
        <div class="min-h-0 flex-1">
          <SoundPicture v-if="picture" :picture="picture" :seconds="seconds" :heard="heard" :at="at" @seek="seek" />
          <p v-else class="max-w-xl p-6 text-scribe">{{ busy ? SOUND_PAGE.listening : SOUND_PAGE.none }}</p>
        </div>
        <div v-if="other.picture.value" class="min-h-0 flex-1 border-t-2 border-rule">
          <SoundPicture
            :picture="other.picture.value"
            :seconds="other.seconds.value"
            :heard="other.heard.value"
            :at="0" />
        </div>
      </div>
      <aside class="flex min-h-0 flex-col gap-3 overflow-y-auto border-l border-rule bg-sheet p-4">
        <TakeFile
          :class="file ? 'act w-full' : 'act-main w-full'"
          :label="SOUND_PAGE.choose"
          accept="audio/*,.wav"
          test-id="sound-file"
          @file="read"
          >{{ SOUND_PAGE.choose }}</TakeFile
        >
        <div class="flex gap-2">
          <button type="button" class="act flex-1" data-testid="record" @click="recording ? stop() : start()">
            {{ recording ? SOUND_PAGE.stop : SOUND_PAGE.record }}
          </button>
          <button type="button" class="act flex-1" data-testid="practice-microphone" @click="practise(false)">
            {{ SOUND_PAGE.practice }}
          </button>
        </div>
        <p v-if="recording" role="status">{{ SOUND_PAGE.recording(fixDigits(length, 0)) }}</p>
        <FaultNote v-if="refused">{{ SOUND_PAGE.noMicrophone }}</FaultNote>
        <FaultNote v-if="problem">{{ problem }}</FaultNote>
        <p v-if="busy" role="status">{{ SOUND_PAGE.listening }}</p>
        <section v-if="heard" class="border-t border-rule pt-3" aria-live="polite" data-testid="heard">
          <p class="figure text-xl">{{ quietWords(heard) }}</p>
          <p>
            {{
              SOUND_PAGE.rpm(fixDigits(heard.rpm.mean, 0), fixDigits(heard.rpm.low, 0), fixDigits(heard.rpm.high, 0))
            }}
          </p>
          <p v-if="heard.withSpeed !== null" class="text-note">
            {{ heard.withSpeed > 0.4 ? SOUND_PAGE.withSpeed : SOUND_PAGE.notWithSpeed }}
          </p>
          <template v-if="heard.clatter > LITTLE && heard.rhythms.length">
            <h2 class="label mt-2">{{ SOUND_PAGE.rhythms }}</h2>
            <div v-for="rhythm in heard.rhythms" :key="rhythm.of" class="mt-1" data-testid="rhythm">
              <p class="flex items-center gap-2">
                <span class="w-44">{{ SOUND_PAGE.rhythm[rhythm.of] }}</span><span
                  class="h-3 bg-brass"
                  :style="{ width: `${7 * rhythm.strength}rem` }"
                  aria-hidden="true" /><span class="figure text-note font-normal">{{
                  SOUND_PAGE.strength(fixDigits(100 * rhythm.strength, 0))
                }}</span>
              </p>
            </div>
            <p class="mt-1 text-note text-faint">{{ SOUND_PAGE.rhythmSays[heard.rhythms[0]!.of] }}</p>
          </template>
          <p v-for="fault in heard.faults" :key="fault.code" class="text-note">{{ saySound(fault) }}</p>
          <h2 class="label mt-3">{{ SOUND_PAGE.evidence }}</h2>
          <button
            v-if="finding"
            type="button"
            class="act-main w-full"
            data-testid="say-it"
            :disabled="!who.by || saved"
            @click="say">
            {{ SOUND_PAGE.sayIt[finding] }}
          </button>
          <p v-if="!who.by" class="text-note">{{ SOUND_PAGE.whoFirst }}</p>
          <p v-if="saved" role="status">{{ SOUND_PAGE.said }}</p>
        </section>
        <section v-if="heard" class="border-t border-rule pt-3" :aria-label="SOUND_PAGE.beside">
          <TakeFile
            class="act w-full"
            :label="SOUND_PAGE.other"
            accept="audio/*,.wav"
            test-id="sound-other"
            @file="other.read"
            >{{ SOUND_PAGE.other }}</TakeFile
          >
          <button type="button" class="act mt-2 w-full" data-testid="practice-after" @click="practise(true)">
            {{ SOUND_PAGE.practiceAfter }}
          </button>
          <FaultNote v-if="other.problem.value">{{ other.problem.value }}</FaultNote>
          <p v-if="other.heard.value" class="mt-1" data-testid="heard-other">
            {{ other.file.value?.name }}: {{ quietWords(other.heard.value) }},
            {{
              SOUND_PAGE.rpm(
                fixDigits(other.heard.value.rpm.mean, 0),
                fixDigits(other.heard.value.rpm.low, 0),
                fixDigits(other.heard.value.rpm.high, 0)
              )
            }}
          </p>
          <p v-if="compared" class="mt-1 border-l-4 border-brass bg-paper p-2" data-testid="heard-compared">
            {{ compared }}
          </p>
        </section>
        <Caution class="mt-auto" lead="">{{ SOUND_PAGE.aid }}</Caution>
      </aside>
    </main>
  </div>
</template>
