<script setup lang="ts">
import { COMMON, SHEET_MOVE, sayRecordFault } from '../../../words/en'
import { $fetch } from 'ofetch'
import { computed, ref, shallowRef } from 'vue'
import type { Assessment } from '../../../core/paths'
import { findStranded } from '../../../core/record'
import { sheetChanges } from '../../../core/sheet'
import type { FoundSheet } from '../../../server/store/sheets'
import ModalSheet from '../parts/ModalSheet.vue'
import { assessInWorker } from '../../composables/useEstimator'
import { shownProblem } from '../../problem'
import { useBench } from '../../stores/bench'
import { useOpenJob } from '../../stores/job'
import { CALL_WORDS, partName, percent } from '../../words'
import FaultNote from '../parts/FaultNote.vue'
import FigureTable from '../parts/FigureTable.vue'

/**
 * A newer revision of the job's sheet: what changes in it, what that does to the estimate and the calls, and the move
 * to it.
 */
const job = useOpenJob()
const bench = useBench()
const newer = shallowRef<FoundSheet | null>(null)
const after = shallowRef<Assessment | null>(null)
const open = ref(false)
const problem = ref('')

const changes = computed(() => (newer.value ? sheetChanges(job.job.sheet, newer.value.sheet) : []))
const lost = computed(() => (newer.value ? findStranded(newer.value.sheet, job.record, '') : []))
const nameOf = (id: string) => (newer.value ? partName(newer.value.sheet, id) : id)
const elongations = computed(() =>
  Object.entries(after.value?.chains ?? {}).map(([id, { elongation }]) => ({
    name: nameOf(id),
    was: job.assessment.chains[id]?.elongation.mean ?? null,
    is: elongation.mean
  }))
)
const calls = computed(() =>
  (after.value?.calls ?? []).flatMap(({ part, call }) => {
    const was = job.assessment.calls.find((c) => c.part === part)?.call
    return was === call
      ? []
      : [
          {
            part: nameOf(part),
            was: was ? CALL_WORDS[was] : COMMON.noCall,
            is: CALL_WORDS[call]
          }
        ]
  })
)

async function look() {
  open.value = true
  problem.value = ''
  after.value = null
  try {
    const found = (newer.value = await $fetch<FoundSheet>(`/api/sheets/${job.job.sheet.id}`))
    if (lost.value.length > 0) return
    after.value = await assessInWorker({ ...job.file, drive: found.sheet })
  } catch (error) {
    problem.value = shownProblem(error).message
  }
}

function move() {
  problem.value = bench.by ? '' : SHEET_MOVE.chooseWhoIsAtThe
  if (problem.value || !newer.value) return
  const { sheet, revision } = newer.value
  job.put({ type: 'sheet', sheet, revision })
  open.value = false
}
</script>

<template>
  <button type="button" class="act border-brass max-md:hidden" data-testid="newer-sheet" @click="look">
    {{ SHEET_MOVE.newerSheet }}
  </button>
  <ModalSheet
    :open="open"
    :title="newer ? SHEET_MOVE.fromRevisionTo(job.job.sheetRevision ?? null, newer.newest) : SHEET_MOVE.aNewerSheet"
    width="max-w-3xl"
    @close="open = false">
    <template v-if="newer">
      <p class="text-faint">
        {{ newer.revisions[0]!.savedBy
        }}<template v-if="newer.revisions[0]!.note">: {{ newer.revisions[0]!.note }}</template>
      </p>
      <div class="mt-3 max-h-64 overflow-auto">
        <FigureTable
          :caption="SHEET_MOVE.whatChangesInTheSheet"
          :heads="[SHEET_MOVE.inTheSheet, SHEET_MOVE.was, SHEET_MOVE.becomes]">
          <tr v-for="change in changes" :key="change.place" data-testid="sheet-change">
            <td>{{ change.place }}</td>
            <td class="figure font-normal">{{ change.was ?? '—' }}</td>
            <td class="figure">{{ change.is ?? '—' }}</td>
          </tr>
        </FigureTable>
      </div>
      <div v-if="lost.length" class="mt-3 border-l-4 border-renew p-3" role="alert">
        <p class="font-bold">{{ SHEET_MOVE.theJobCannotMoveAs }}</p>
        <ul>
          <li v-for="fault in lost" :key="sayRecordFault(fault)">{{ sayRecordFault(fault) }}</li>
        </ul>
      </div>
      <div v-else-if="after" class="mt-3 space-y-1" data-testid="move-effect">
        <p v-for="one in elongations" :key="one.name">
          {{ SHEET_MOVE.elongation(one.name) }}
          <span class="figure">{{ one.was === null ? '—' : percent(one.was) }}</span> {{ SHEET_MOVE.becomes2 }}
          <span class="figure">{{ percent(one.is) }}</span>.
        </p>
        <p v-for="one in calls" :key="one.part">
          <b>{{ one.part }}</b>{{ SHEET_MOVE.becomes3(one.was, one.is) }}
        </p>
        <p v-if="calls.length === 0">{{ SHEET_MOVE.noCallChanges }}</p>
      </div>
      <p v-else-if="!problem" class="mt-3" role="status">{{ SHEET_MOVE.judgingTheReadingsUnderThe }}</p>
    </template>
    <FaultNote v-if="problem" class="mt-3">{{ problem }}</FaultNote>
    <div class="mt-4 flex gap-2">
      <button
        type="button"
        class="act-main flex-1"
        :disabled="lost.length > 0 || !after"
        data-testid="move-sheet"
        @click="move">
        {{ SHEET_MOVE.moveTheJobToIt }}
      </button>
      <button type="button" class="act" @click="open = false">
        {{ SHEET_MOVE.stayWithRevision(job.job.sheetRevision ?? null) }}
      </button>
    </div>
  </ModalSheet>
</template>
