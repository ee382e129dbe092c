<script setup lang="ts">
import { CLOSE_JOB, COMMON } from '../../../words/en'
import { ref, watch } from 'vue'
import type { ToldHold } from '../../../server/store/acts'
import CallMark from '../parts/CallMark.vue'
import ModalSheet from '../parts/ModalSheet.vue'
import Field from '../parts/Field.vue'

/** What holds a job that is to be closed: it stays open, or each hold is released under one's name with a reason. */
const asked = defineModel<{ id: string; vehicle: string; holds: readonly ToldHold[] } | null>({ required: true })
const emit = defineEmits<{ close: [reason: string] }>()
const why = ref('')
const missing = ref(false)
watch(asked, () => {
  why.value = ''
  missing.value = false
})

function close() {
  missing.value = why.value.trim() === ''
  if (!missing.value) emit('close', why.value.trim())
}
</script>

<template>
  <ModalSheet
    :open="asked !== null"
    :title="asked ? CLOSE_JOB.isHeld(asked.vehicle) : ''"
    width="max-w-xl"
    @close="asked = null">
    <div data-testid="close-held">
      <ul class="mt-3 max-h-[40vh] space-y-2 overflow-y-auto">
        <li v-for="hold in asked?.holds" :key="hold.id" class="grid grid-cols-[28px_1fr] border-t border-rule pt-2">
          <CallMark call="stop" bare :size="20" />
          <div>
            <p>{{ hold.says }}</p>
            <p class="text-note">
              <b>{{ COMMON.releasedBy }}</b> {{ hold.release }}
            </p>
          </div>
        </li>
      </ul>
      <form class="mt-4 space-y-3" novalidate @submit.prevent="close">
        <Field
          v-model="why"
          :label="CLOSE_JOB.whyItIsClosedAll"
          :rows="2"
          maxlength="1000"
          :fault="missing ? CLOSE_JOB.sayWhyItReleases(asked?.holds.length ?? 0) : ''" />
        <div class="flex gap-2">
          <button type="button" class="act-main flex-1" @click="asked = null">{{ CLOSE_JOB.leaveItOpen }}</button>
          <button type="submit" class="act">{{ CLOSE_JOB.releaseAndClose }}</button>
        </div>
      </form>
    </div>
  </ModalSheet>
</template>
