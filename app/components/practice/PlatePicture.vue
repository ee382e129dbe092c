<script setup lang="ts">
import { PLATE_PICTURE } from '../../../words/en'
import { nextTick, ref, watch } from 'vue'
import type { Drawing } from '../../../draw/shapes'
import ShapeList from '../parts/ShapeList.vue'

/** A picture scribed on the blue plate. Links can be chalked with a finger while they are counted, close up. */
const props = defineProps<{ drawing: Drawing; label: string }>()
const frame = ref<HTMLElement | null>(null)
const close = ref(false)
const chalked = ref(new Set<number>())
watch(
  () => props.label,
  () => {
    close.value = false
    chalked.value = new Set()
  }
)

/** Close up, the middle of the drive's top comes into view first. */
async function toggleClose() {
  close.value = !close.value
  await nextTick()
  const box = frame.value
  if (box && close.value) box.scrollLeft = (box.scrollWidth - box.clientWidth) / 2
}

function chalk(i: number) {
  if (props.drawing.shapes[i]!.name !== 'link') return
  const next = new Set(chalked.value)
  if (!next.delete(i)) next.add(i)
  chalked.value = next
}
</script>

<template>
  <div class="relative size-full">
    <div
      ref="frame"
      class="size-full"
      :class="close ? 'overflow-auto' : ''"
      :tabindex="close ? 0 : undefined"
      :aria-label="close ? PLATE_PICTURE.closeUpToBeMoved : undefined">
      <svg
        :viewBox="`0 0 ${drawing.width} ${drawing.height}`"
        class="block"
        :class="close ? 'w-[1400px] max-w-none' : 'size-full'"
        role="img"
        :aria-label="label"
        data-testid="sight">
        <ShapeList :shapes="drawing.shapes" on-plate :lit="chalked" @touch="chalk" />
      </svg>
    </div>
    <div
      v-if="drawing.shapes.some(({ name }) => name === 'link')"
      class="absolute top-1 right-1 flex flex-wrap justify-end gap-2">
      <button v-if="chalked.size" type="button" class="act" @click="chalked = new Set()">
        {{ PLATE_PICTURE.wipeTheChalk }}
      </button>
      <button type="button" class="act" data-testid="closer" :aria-pressed="close" @click="toggleClose">
        {{ close ? PLATE_PICTURE.wholeDrive : PLATE_PICTURE.closer }}
      </button>
    </div>
  </div>
</template>
