<script setup lang="ts">
import { PATH_FIELD } from '../../../words/en'
import { Bars2Icon, XMarkIcon } from '@heroicons/vue/20/solid'
import { computed } from 'vue'
import { VueDraggable } from 'vue-draggable-plus'

/** The way of a chain: what it meets, one after another, dragged into order or moved with the arrow keys. */
const props = defineProps<{ value: readonly string[]; choices: readonly { value: string; label: string }[] }>()
const emit = defineEmits<{ change: [path: string[]] }>()

const path = computed({ get: () => [...props.value], set: (next) => emit('change', next) })
const left = computed(() => props.choices.filter(({ value }) => !props.value.includes(value)))
const labelOf = (id: string) => props.choices.find(({ value }) => value === id)?.label ?? id

function move(index: number, by: -1 | 1) {
  const next = [...props.value]
  const to = index + by
  if (to < 0 || to >= next.length) return
  ;[next[index], next[to]] = [next[to]!, next[index]!]
  emit('change', next)
}
</script>

<template>
  <div class="mt-1 flex flex-wrap items-center gap-1">
    <VueDraggable v-model="path" class="flex flex-wrap gap-1" handle=".grip" :animation="120">
      <div v-for="(id, i) in path" :key="id" class="flex items-center border border-faint bg-sheet">
        <button
          type="button"
          class="grip flex min-h-11 cursor-grab items-center gap-1 px-2"
          :aria-label="PATH_FIELD.placeLeftAndRightArrow(labelOf(id), i + 1)"
          @keydown.left.prevent="move(i, -1)"
          @keydown.right.prevent="move(i, 1)">
          <Bars2Icon class="size-4 text-faint" aria-hidden="true" />{{ labelOf(id) }}
        </button>
        <button
          type="button"
          class="grid min-h-11 min-w-9 place-items-center"
          :aria-label="PATH_FIELD.takeOffThePath(labelOf(id))"
          @click="
            emit(
              'change',
              value.filter((one) => one !== id)
            )
          ">
          <XMarkIcon class="size-4" aria-hidden="true" />
        </button>
      </div>
    </VueDraggable>
    <button
      v-for="one in left"
      :key="one.value"
      type="button"
      class="min-h-11 border border-dashed border-faint px-2 text-faint"
      @click="emit('change', [...value, one.value])">
      + {{ one.label }}
    </button>
  </div>
</template>
