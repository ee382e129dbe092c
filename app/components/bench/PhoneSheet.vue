<script setup lang="ts">
import { PHONE } from '../../../words/en'
import { isHereAlone } from '../../address'
import { later } from '../../later'
import Caution from '../parts/Caution.vue'
import ModalSheet from '../parts/ModalSheet.vue'

const QrCode = later(() => import('../parts/QrCode.vue'))

/** The code that a phone scans to become this bench's camera. */
defineProps<{ address: string }>()
const emit = defineEmits<{ close: [] }>()
</script>

<template>
  <ModalSheet open :title="PHONE.title" width="max-w-sm" @close="emit('close')">
    <p class="mt-2">{{ PHONE.scan }}</p>
    <QrCode class="mt-3" :text="address" :label="PHONE.qrOf" />
    <p class="mt-2 text-note break-all" data-testid="camera-address">{{ address }}</p>
    <Caution v-if="isHereAlone()" lead="" class="mt-2">{{ PHONE.hereAlone }}</Caution>
    <button type="button" class="act-main mt-4 w-full" @click="emit('close')">{{ PHONE.done }}</button>
  </ModalSheet>
</template>
