<script setup lang="ts">
import { midSentence } from '../../../words/spoken'
import { COMMON, SIGN_OFF } from '../../../words/en'
import { computed } from 'vue'
import { sinceSignoff } from '../../../core/record'
import { useBench } from '../../stores/bench'
import { useOpenJob } from '../../stores/job'
import { useOutbox } from '../../stores/outbox'
import { CALL_WORDS, kindWords, partName, percent, readingWords, SCHOOL_WORDS } from '../../words'
import type { Call } from '../../../core/calls'
import WhenAt from '../parts/WhenAt.vue'
import Panel from '../parts/Panel.vue'

/** Freezes the verdict; what changes after that is shown against it, and signing again makes a new revision. */
const job = useOpenJob()
const bench = useBench()
const outbox = useOutbox()
const last = computed(() => job.record.signoffs.at(-1) ?? null)
const since = computed(() => (last.value ? sinceSignoff(job.acts, last.value, job.assessment, job.openedUnder) : null))
const revision = computed(() => job.record.signoffs.length + 1)
/** What waits on this device must be kept before what it comes to is signed. */
const waiting = computed(() => outbox.ready && outbox.waiting.some(({ jobId }) => jobId === job.id))
const call = (value: Call | null) => (value ? midSentence(CALL_WORDS[value]) : COMMON.noCall)

function sign() {
  const seen = job.acts.at(-1)?.id
  job.put({ type: 'signoff', ...(seen ? { seen } : {}) })
}
</script>

<template>
  <Panel :title="SIGN_OFF.signOff" quiet data-testid="signoff">
    <p v-if="last" data-testid="signed">
      <b>{{ SIGN_OFF.revisionSignedBy(last.revision, last.by) }}</b>, <WhenAt :at="last.at" />{{
        SIGN_OFF.computation(last.sheetRevision, last.core)
      }}<span v-if="last.unchecked" class="block border-l-4 border-brass pl-2" data-testid="unchecked">{{
        SIGN_OFF.fromAFileNotChecked
      }}</span>
    </p>
    <p v-else>
      {{ SIGN_OFF.notSignedOffSigningFreezes }}
    </p>
    <div v-if="last && since" class="mt-2 border-l-4 border-brass pl-3 text-body" data-testid="since">
      <p class="font-bold">{{ SIGN_OFF.changedSince }}</p>
      <ul>
        <li v-if="since.school">
          {{
            SIGN_OFF.judgedInsteadOf(
              midSentence(SCHOOL_WORDS[since.school.is].name),
              midSentence(SCHOOL_WORDS[since.school.was].name)
            )
          }}
        </li>
        <li v-for="reading in since.added" :key="reading.id">
          {{ SIGN_OFF.added(kindWords(job.job.sheet, reading), readingWords(reading), reading.by) }}
        </li>
        <li v-for="reading in since.gone" :key="reading.id">
          {{ SIGN_OFF.noLongerStands(kindWords(job.job.sheet, reading), readingWords(reading)) }}
        </li>
        <li v-for="one in since.elongations" :key="one.chain">
          {{ SIGN_OFF.became(partName(job.job.sheet, one.chain), percent(one.was), percent(one.is)) }}
        </li>
        <li v-for="one in since.calls" :key="one.part">
          {{ SIGN_OFF.became2(partName(job.job.sheet, one.part), call(one.was), call(one.is)) }}
        </li>
        <li v-for="one in since.overrules" :key="`o-${one.part}`">
          {{ SIGN_OFF.decidedOtherwise(partName(job.job.sheet, one.part), one.is) }}
        </li>
      </ul>
    </div>
    <p v-else-if="last" class="mt-1 text-body text-faint">{{ SIGN_OFF.nothingThatItRestsOn }}</p>
    <button
      v-if="bench.by && (!last || since)"
      type="button"
      class="act-main mt-3 w-full"
      :disabled="waiting"
      data-testid="sign"
      @click="sign">
      {{ last ? SIGN_OFF.signRevision(revision) : SIGN_OFF.signTheVerdict }}
    </button>
    <p v-if="waiting" class="mt-1 text-note">
      {{ SIGN_OFF.entriesWaitOnThisDevice }}
    </p>
  </Panel>
</template>
