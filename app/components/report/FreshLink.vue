<script setup lang="ts">
import { SHARE_PANEL } from '../../../words/en'
import { useClipboard } from '@vueuse/core'
import { $fetch } from 'ofetch'
import { ref } from 'vue'
import type { MadeShare } from '../../../server/store/shares'
import { useAttempt } from '../../composables/useAttempt'
import { useBench } from '../../stores/bench'
import FaultNote from '../parts/FaultNote.vue'
import Field from '../parts/Field.vue'
import QrCode from '../parts/QrCode.vue'

/** A link that was made just now: to copy, as a code for a phone, or sent by e-mail where that is set up. */
const props = defineProps<{ jobId: string; share: MadeShare; link: string }>()
const emit = defineEmits<{ mailed: [] }>()
const bench = useBench()
const to = ref(props.share.mail.to)
const said = ref('')
const { copy, copied } = useClipboard({ legacy: true })
const { problem, faults, busy, attempt } = useAttempt()

const send = () =>
  attempt(async () => {
    said.value = ''
    await $fetch(`/api/jobs/${props.jobId}/shares/${props.share.id}/mail`, {
      method: 'POST',
      body: { by: bench.by, to: to.value.trim(), token: props.share.token },
      retry: 0
    })
    said.value = SHARE_PANEL.sent(to.value.trim())
    emit('mailed')
  })
</script>

<template>
  <div class="mt-2 space-y-2 border-l-4 border-brass pl-2">
    <p class="text-note break-all" data-testid="link">
      <b>{{ SHARE_PANEL.shownOnceCopyItNow }}</b><br /><a :href="link" target="_blank" class="underline">{{ link }}</a>
    </p>
    <div class="flex items-center gap-3">
      <button type="button" class="act" @click="copy(link)">
        {{ copied ? SHARE_PANEL.copied : SHARE_PANEL.copy }}
      </button>
      <QrCode :text="link" :label="SHARE_PANEL.code" class="w-32!" />
    </div>
    <form v-if="share.mail.set" class="flex flex-wrap items-end gap-2" novalidate @submit.prevent="send">
      <Field
        v-model="to"
        class="min-w-0 flex-1"
        type="email"
        maxlength="254"
        :label="SHARE_PANEL.sendTo"
        :fault="faults.to" />
      <button type="submit" class="act" :disabled="busy || !to.trim() || !bench.by">
        {{ busy ? SHARE_PANEL.sending : SHARE_PANEL.send }}
      </button>
    </form>
    <p v-else class="text-note text-faint">{{ SHARE_PANEL.noMail }}</p>
    <p v-if="said" role="status" data-testid="mail-said">{{ said }}</p>
    <FaultNote v-if="problem && !faults.to">{{ problem }}</FaultNote>
  </div>
</template>
