<script setup lang="ts">
import { ref } from 'vue'
import { useTurning } from '../../composables/useTurning'

/** Turning by hand: held, by steps, or on to the crank's mark. Against the running direction only after a warning. */
const { sense, start, stop, by, toCrankMark } = useTurning()
const warned = ref(false)

function key(event: KeyboardEvent) {
  if (event.key !== ' ' && event.key !== 'Enter') return
  event.preventDefault()
  if (!event.repeat) start(1)
}
</script>

<template>
  <div
    class="flex flex-wrap items-center gap-2 border-t border-rule bg-sheet p-2"
    role="group"
    aria-label="Turn the engine by hand">
    <button
      type="button"
      class="act-main touch-none select-none"
      data-testid="turn"
      :aria-pressed="sense === 1"
      @pointerdown.prevent="start(1)"
      @pointerup="stop"
      @pointerleave="sense !== 0 && stop()"
      @pointercancel="stop"
      @keydown="key"
      @keyup="sense === 1 && stop()">
      Hold to turn
    </button>
    <button type="button" class="act" data-testid="turn-fine" @click="by(0.5)">½°</button>
    <button type="button" class="act" data-testid="turn-small" @click="by(5)">5°</button>
    <button type="button" class="act" data-testid="turn-to-mark" @click="toCrankMark">On to the crank's mark</button>
    <button v-if="warned" type="button" class="act ml-auto" data-testid="turn-back" @click="by(-5)">5° back</button>
    <button v-else type="button" class="act-bare ml-auto text-note" @click="warned = true">Back …</button>
    <p v-if="warned" class="w-full text-note" role="alert">
      Against its running direction slack goes to the wrong side, and on some engines the chain jumps. Overshot: go
      round again.
    </p>
  </div>
</template>
