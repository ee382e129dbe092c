<script setup lang="ts">
import { OFFLINE } from '../../../words/en'
import { newer, takeNewer } from '../../offline/register'

/** Offers a newer version of the application; nothing changes under who is working. */
</script>

<template>
  <div
    v-if="newer"
    class="fixed right-4 bottom-4 z-40 flex items-center gap-3 border border-brass bg-sheet p-3"
    role="status"
    data-testid="newer">
    <p>{{ OFFLINE.newer }}</p>
    <button type="button" class="act" @click="takeNewer">{{ OFFLINE.take }}</button>
  </div>
</template>
