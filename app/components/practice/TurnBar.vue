<script setup lang="ts">
import { TURN_BAR } from '../../../words/en'
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
    :aria-label="TURN_BAR.turnTheEngineByHand">
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
      {{ TURN_BAR.holdToTurn }}
    </button>
    <button type="button" class="act" data-testid="turn-fine" @click="by(0.5)">½°</button>
    <button type="button" class="act" data-testid="turn-small" @click="by(5)">5°</button>
    <button type="button" class="act" data-testid="turn-to-mark" @click="toCrankMark">
      {{ TURN_BAR.onToTheCranksMark }}
    </button>
    <button v-if="warned" type="button" class="act ml-auto" data-testid="turn-back" @click="by(-5)">
      {{ TURN_BAR.n5Back }}
    </button>
    <button v-else type="button" class="act-bare ml-auto text-note" @click="warned = true">{{ TURN_BAR.back }}</button>
    <p v-if="warned" class="w-full text-note" role="alert">
      {{ TURN_BAR.againstItsRunningDirectionSlack }}
    </p>
  </div>
</template>
