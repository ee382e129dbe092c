<script setup lang="ts">
import { computed } from 'vue'
import { sinceSignoff } from '../../../core/record'
import { useBench } from '../../stores/bench'
import { useJob } from '../../stores/job'
import { useOutbox } from '../../stores/outbox'
import { CALL_WORDS, kindWords, partName, percent, readingWords, SCHOOL_WORDS } from '../../words'
import type { Call } from '../../../core/calls'
import WhenAt from '../parts/WhenAt.vue'
import Panel from '../parts/Panel.vue'

/** Freezes the verdict; what changes after that is shown against it, and signing again makes a new revision. */
const job = useJob()
const bench = useBench()
const outbox = useOutbox()
const last = computed(() => job.record.signoffs.at(-1) ?? null)
const since = computed(() => (last.value ? sinceSignoff(job.acts, last.value, job.assessment!, job.openedUnder) : null))
const revision = computed(() => job.record.signoffs.length + 1)
/** What waits on this device must be kept before what it comes to is signed. */
const waiting = computed(() => outbox.ready && outbox.waiting.some(({ jobId }) => jobId === job.id))
const call = (value: Call | null) => (value ? CALL_WORDS[value].toLowerCase() : 'no call')

function sign() {
  const seen = job.acts.at(-1)?.id
  job.put({ type: 'signoff', ...(seen ? { seen } : {}) })
}
</script>

<template>
  <Panel title="Sign-off" quiet data-testid="signoff">
    <p v-if="last" data-testid="signed">
      <b>Revision {{ last.revision }} signed by {{ last.by }}</b
      >, <WhenAt :at="last.at" />; {{ last.sheetRevision ? `sheet revision ${last.sheetRevision}, ` : '' }}computation
      {{ last.core }}.<span v-if="last.unchecked" class="block border-l-4 border-brass pl-2" data-testid="unchecked"
        >From a file, not checked here: it does not come out the same on this machine.</span
      >
    </p>
    <p v-else>
      Not signed off. Signing freezes the verdict with its readings, its sheet and what it was computed with.
    </p>
    <div v-if="last && since" class="mt-2 border-l-4 border-brass pl-3 text-body" data-testid="since">
      <p class="font-bold">Changed since:</p>
      <ul>
        <li v-if="since.school">
          Judged {{ SCHOOL_WORDS[since.school.is].name.toLowerCase() }} instead of
          {{ SCHOOL_WORDS[since.school.was].name.toLowerCase() }}.
        </li>
        <li v-for="reading in since.added" :key="reading.id">
          Added: {{ kindWords(job.job!.sheet, reading) }} {{ readingWords(reading) }} ({{ reading.by }})
        </li>
        <li v-for="reading in since.gone" :key="reading.id">
          No longer stands: {{ kindWords(job.job!.sheet, reading) }} {{ readingWords(reading) }}
        </li>
        <li v-for="one in since.elongations" :key="one.chain">
          {{ partName(job.job!.sheet, one.chain) }}: {{ percent(one.was) }} became {{ percent(one.is) }}
        </li>
        <li v-for="one in since.calls" :key="one.part">
          {{ partName(job.job!.sheet, one.part) }}: {{ call(one.was) }} became {{ call(one.is) }}
        </li>
        <li v-for="one in since.overrules" :key="`o-${one.part}`">
          {{ partName(job.job!.sheet, one.part) }}: decided otherwise{{ one.is ? `, ${one.is}` : ' no longer' }}
        </li>
      </ul>
    </div>
    <p v-else-if="last" class="mt-1 text-body text-faint">Nothing that it rests on has changed since.</p>
    <button
      v-if="bench.by && (!last || since)"
      type="button"
      class="act-main mt-3 w-full"
      :disabled="waiting"
      data-testid="sign"
      @click="sign">
      {{ last ? `Sign revision ${revision}` : 'Sign the verdict' }}
    </button>
    <p v-if="waiting" class="mt-1 text-note">
      Entries wait on this device; the verdict can be signed once they are kept.
    </p>
  </Panel>
</template>
