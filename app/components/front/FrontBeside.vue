<script setup lang="ts">
import { FRONT } from '../../../words/en'
import { onUnmounted, ref, watch } from 'vue'
import { useFrontPhoto } from '../../composables/useFrontPhoto'

/** The photo of an engine's front beside its editor, with the sheet as it settled over it. */
const props = defineProps<{ sheet: string }>()
const { kept } = useFrontPhoto(props.sheet)
const src = ref('')
watch(kept, (found) => {
  if (found) src.value = URL.createObjectURL(found.photo)
})
onUnmounted(() => URL.revokeObjectURL(src.value))
const path = (points: readonly (readonly [number, number])[], closed: boolean) =>
  points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`).join('') + (closed ? 'Z' : '')
</script>

<template>
  <figure v-if="kept && src" data-testid="front-beside">
    <div class="relative bg-plate">
      <img :src="src" :alt="FRONT.overlay" class="w-full" />
      <svg class="absolute inset-0 size-full" :viewBox="`0 0 ${kept.size[0]} ${kept.size[1]}`" aria-hidden="true">
        <path
          v-for="(line, i) in kept.outlines"
          :key="i"
          :d="path(line.points, line.closed)"
          class="fill-none stroke-lit"
          :stroke-width="kept.size[0] / 300" />
      </svg>
    </div>
    <figcaption class="text-note text-faint">
      {{ FRONT.overlay }}.
      <NuxtLink
        :to="`/engines/${sheet}/photo`"
        class="underline decoration-brass underline-offset-2"
        :prefetch="false"
        >{{ FRONT.again }}</NuxtLink
      >
    </figcaption>
  </figure>
</template>
