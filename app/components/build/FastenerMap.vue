<script setup lang="ts">
import { FASTENER_MAP } from '../../../words/en'
import { computed, ref } from 'vue'
import type { ActOf } from '../../../core/record'
import type { Operation } from '../../../core/sheet'
import { lengthFigure, toStored, units } from '../../units'
import { numberOf } from '../bench/draft'
import FaultNote from '../parts/FaultNote.vue'
import Panel from '../parts/Panel.vue'
import Field from '../parts/Field.vue'

/**
 * Which bolt from which hole: holes put on the cover's picture with their bolt's length at teardown, read back one by
 * one at assembly.
 */
const props = defineProps<{
  covers: readonly Operation[]
  holes: readonly ActOf<'hole'>[]
  tasks: ReadonlyMap<string, ActOf<'task'>>
  mayChange: boolean
}>()
const emit = defineEmits<{
  add: [hole: { cover: string; x: number; y: number; length: number }]
  remove: [id: string]
  back: [id: string, back: boolean]
}>()

const cover = ref(props.covers.find(({ id }) => /cover/.test(id))?.id ?? props.covers[0]?.id ?? '')
const length = ref('')
const fault = ref('')
const chosen = ref('')
const mine = computed(() => props.holes.filter((hole) => hole.cover === cover.value))
const isBack = (id: string) => props.tasks.get(`hole:${id}`)?.state === 'done'
const left = computed(() => mine.value.filter(({ id }) => !isBack(id)).length)
const words = (hole: ActOf<'hole'>, i: number) =>
  FASTENER_MAP.holeBoltOf(i + 1, lengthFigure(hole.length, 0), units.value.length, isBack(hole.id))

function put(x: number, y: number) {
  const value = numberOf(length.value)
  const mm = value !== null && value > 0 ? toStored('groove', value) : Infinity
  fault.value = mm <= 500 ? '' : FASTENER_MAP.writeTheBoltsLengthFirst
  if (!fault.value) emit('add', { cover: cover.value, x: Number(x.toFixed(3)), y: Number(y.toFixed(3)), length: mm })
}

function touch(event: { currentTarget: unknown; clientX: number; clientY: number }) {
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect()
  put((event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height)
}

/** Its bolt went back in, or came out again. */
function turnBack(hole: string) {
  chosen.value = hole
  if (props.mayChange) emit('back', hole, !isBack(hole))
}

function removeChosen() {
  emit('remove', chosen.value)
  chosen.value = ''
}
</script>

<template>
  <Panel v-if="covers.length" :title="FASTENER_MAP.whichBoltFromWhichHole" data-testid="fasteners">
    <div class="mt-1 flex flex-wrap items-end gap-2">
      <Field :label="FASTENER_MAP.cover" class="flex-1">
        <template #default="{ control }">
          <select v-model="cover" v-bind="control">
            <option v-for="one in covers" :key="one.id" :value="one.id">{{ one.name }}</option>
          </select>
        </template>
      </Field>
      <Field
        v-model="length"
        :label="FASTENER_MAP.boltLength(units.length)"
        figure
        class="w-32"
        inputmode="decimal"
        maxlength="6" />
      <button
        type="button"
        class="act"
        :disabled="!mayChange"
        @click="put(0.15 + 0.7 * ((mine.length % 5) / 4), 0.15 + 0.2 * Math.floor(mine.length / 5))">
        {{ FASTENER_MAP.addAHole }}
      </button>
    </div>
    <FaultNote v-if="fault" class="text-note">{{ fault }}</FaultNote>
    <div
      class="relative mt-2 h-56 bg-plate"
      :class="mayChange ? 'cursor-crosshair' : ''"
      data-testid="cover"
      @click.self="mayChange && touch($event)">
      <svg
        class="pointer-events-none absolute inset-0 size-full"
        viewBox="0 0 100 100"
        preserveAspectRatio="none"
        aria-hidden="true">
        <path
          d="M12 8H88Q94 8 94 16L86 92Q50 100 14 92L6 16Q6 8 12 8Z"
          fill="none"
          class="stroke-hair"
          vector-effect="non-scaling-stroke" />
      </svg>
      <button
        v-for="(hole, i) in mine"
        :key="hole.id"
        type="button"
        class="absolute grid size-11 -translate-1/2 place-items-center rounded-full border-2 text-note"
        :class="[
          isBack(hole.id) ? 'border-scribe bg-scribe text-plate' : 'border-dashed border-scribe text-scribe',
          chosen === hole.id ? 'outline-2 outline-lit' : ''
        ]"
        :style="{ left: `${100 * hole.x}%`, top: `${100 * hole.y}%` }"
        :aria-label="words(hole, i)"
        @click="turnBack(hole.id)">
        <span class="figure">{{ lengthFigure(hole.length, 0) }}</span>
      </button>
    </div>
    <p class="mt-1 text-note">
      {{
        mine.length === 0
          ? FASTENER_MAP.atTeardownWriteALength
          : left === 0
            ? FASTENER_MAP.allAreBackIn(mine.length)
            : FASTENER_MAP.ofStillOutTouchA(left, mine.length)
      }}
      <button v-if="chosen && mayChange" type="button" class="act-bare" @click="removeChosen">
        {{ FASTENER_MAP.takeTheLastTouchedHole }}
      </button>
    </p>
  </Panel>
</template>
