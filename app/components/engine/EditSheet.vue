<script setup lang="ts">
import { EDIT_SHEET } from '../../../words/en'
import { $fetch } from 'ofetch'
import { computed, ref } from 'vue'
import type { DriveSheet } from '../../../core/sheet'
import type { FoundSheet } from '../../../server/store/sheets'
import { useWorkshop } from '../../composables/useWorkshop'
import { shownProblem } from '../../problem'
import { useBench } from '../../stores/bench'
import SheetEditor from './SheetEditor.vue'
import { copyName, slug } from './slug'
import { useSheetDraft } from './useSheetDraft'
import FaultNote from '../parts/FaultNote.vue'
import Field from '../parts/Field.vue'

/** Works on a sheet, and keeps it as a new revision or as a copy. Until then it stays on this device. */
const props = defineProps<{ found: FoundSheet }>()
const bench = useBench()
const draft = useSheetDraft(props.found.sheet, props.found.newest, useWorkshop().value?.currency)
const note = ref('')
const problem = ref('')
const busy = ref(false)
const behind = computed(() => draft.basedOn.value !== props.found.newest)

async function keep(sheet: DriveSheet, basedOn: number) {
  problem.value = bench.by ? '' : EDIT_SHEET.chooseWhoIsAtThe
  if (problem.value) return
  busy.value = true
  try {
    const { id } = await $fetch<{ id: string }>('/api/sheets', {
      method: 'POST',
      body: { sheet, basedOn, by: bench.by, note: note.value.trim() }
    })
    localStorage.removeItem(`umbrette.sheet.${props.found.sheet.id}`)
    await navigateTo(`/engines/${id}`)
  } catch (error) {
    problem.value = shownProblem(error).message
  } finally {
    busy.value = false
  }
}

function keepRevision() {
  if (draft.sound.value) void keep(draft.sound.value, draft.basedOn.value)
}
function keepCopy() {
  const sheet = draft.sound.value
  if (!sheet) return
  const name = copyName(sheet.name)
  void keep({ ...sheet, name, id: slug(name) }, 0)
}
</script>

<template>
  <div>
    <div class="mb-4 flex flex-wrap items-end gap-3">
      <div class="max-w-md min-w-0">
        <h1 class="text-2xl font-bold">{{ String(draft.draft.value.name || EDIT_SHEET.driveSheet) }}</h1>
        <p class="text-note text-faint">
          {{ EDIT_SHEET.workedOnFromRevisionKept(draft.basedOn.value) }}
        </p>
      </div>
      <Field v-model="note" :label="EDIT_SHEET.whatChangedAndWhy" class="ml-auto w-56" maxlength="400" />
      <button
        type="button"
        class="act-main"
        :disabled="!draft.sound.value || !draft.changed.value || busy"
        data-testid="save-sheet"
        @click="keepRevision">
        {{ EDIT_SHEET.saveRevision(draft.basedOn.value + 1) }}
      </button>
      <button type="button" class="act" :disabled="!draft.sound.value || busy" @click="keepCopy">
        {{ EDIT_SHEET.saveAsACopy }}
      </button>
      <NuxtLink :to="`/engines/${found.sheet.id}`" class="act-bare flex items-center">{{ EDIT_SHEET.leave }}</NuxtLink>
    </div>
    <FaultNote v-if="problem" class="mb-3">{{ problem }}</FaultNote>
    <p v-if="behind" class="mb-3 border-l-4 border-brass bg-sheet p-3" role="alert">
      {{ EDIT_SHEET.revisionWasSavedSinceYour(found.newest) }}
      <button type="button" class="act-bare" @click="draft.startOver(found.sheet, found.newest)">
        {{ EDIT_SHEET.giveItUpAndStart(found.newest) }}
      </button>
    </p>
    <p v-else-if="draft.changed.value" class="mb-3 text-note text-faint">
      {{ EDIT_SHEET.changedOnThisDeviceNot }}
      <button type="button" class="act-bare" @click="draft.startOver(found.sheet, found.newest)">
        {{ EDIT_SHEET.giveTheChangesUp }}
      </button>
    </p>
    <SheetEditor :sheet="draft" :photo-of="found.sheet.id" />
  </div>
</template>
