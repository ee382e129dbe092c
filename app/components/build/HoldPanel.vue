<script setup lang="ts">
import { COMMON, HOLD_PANEL, namesOf, sayHold, sayHoldRelease } from '../../../words/en'
import type { DriveSheet } from '../../../core/sheet'
import { ref } from 'vue'
import type { Hold } from '../../../core/views/buildup'
import CallMark from '../parts/CallMark.vue'
import WhenAt from '../parts/WhenAt.vue'
import Panel from '../parts/Panel.vue'
import Field from '../parts/Field.vue'

/** What keeps the engine from being started; a hold is released by what it waits for, or by name with a reason. */
defineProps<{ sheet: DriveSheet; holds: readonly Hold[]; ready: boolean; mayRelease: boolean }>()
const emit = defineEmits<{ release: [hold: string, reason: string] }>()
const saying = ref('')
const why = ref('')
const missing = ref(false)

function release(id: string) {
  missing.value = why.value.trim() === ''
  if (missing.value) return
  emit('release', id, why.value.trim())
  saying.value = ''
  why.value = ''
}
</script>

<template>
  <Panel :label="HOLD_PANEL.readyToStart" data-testid="holds" :data-ready="ready">
    <h2 v-if="ready" class="text-lg font-bold">{{ HOLD_PANEL.readyToStart }}</h2>
    <h2 v-else class="flex items-center gap-2 text-lg font-bold">
      <CallMark call="stop" bare :size="24" />{{ HOLD_PANEL.notReadyToStart }}
    </h2>
    <p v-if="ready" class="mt-1 text-body">
      {{ HOLD_PANEL.batteryOnLastNobodyNear }}
    </p>
    <ul class="mt-2 space-y-3">
      <li v-for="hold in holds" :key="hold.id" class="border-t border-rule/60 pt-2" :data-testid="`hold-${hold.id}`">
        <p :class="hold.released ? 'text-faint' : ''">{{ sayHold(hold, namesOf(sheet)) }}</p>
        <p v-if="hold.released" class="text-note">
          <b>{{ HOLD_PANEL.releasedBy(hold.released.by) }}</b> {{ hold.released.reason }}
          <span class="text-faint"><WhenAt :at="hold.released.at" /></span>
        </p>
        <template v-else>
          <p class="text-note">
            <b>{{ COMMON.releasedBy }}</b> {{ sayHoldRelease(hold.release, namesOf(sheet)) }}
          </p>
          <form v-if="saying === hold.id" class="mt-1 space-y-1" @submit.prevent="release(hold.id)">
            <Field
              v-model="why"
              :label="HOLD_PANEL.whyItMayBeStarted"
              :rows="2"
              maxlength="1000"
              :fault="missing ? HOLD_PANEL.sayWhyItStandsUnder : ''" />
            <button type="submit" class="act">{{ HOLD_PANEL.release }}</button>{{ ' '
            }}<button type="button" class="act-bare" @click="saying = ''">{{ HOLD_PANEL.leaveItHeld }}</button>
          </form>
          <button v-else-if="mayRelease" type="button" class="act-bare text-note" @click="saying = hold.id">
            {{ HOLD_PANEL.releaseByName }}
          </button>
        </template>
      </li>
    </ul>
  </Panel>
</template>
