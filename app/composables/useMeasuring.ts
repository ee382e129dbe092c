import { computed, onMounted, ref, shallowRef } from 'vue'
import { MEASURE, sayPicture } from '../../words/en'
import type { FoundCard } from '../../core/picture'
import { usePicture } from './usePicture'

/** A photo opened to be measured on: its size, the card on it, and what stands in the way. */
export function useMeasuring(fetchPhoto: () => Promise<Blob | null>) {
  const picture = usePicture()
  const size = shallowRef<readonly [number, number] | null>(null)
  const card = shallowRef<FoundCard | null>(null)
  const state = ref<'opening' | 'looking' | 'ready'>('opening')
  const problem = ref('')

  async function open(): Promise<void> {
    size.value = null
    card.value = null
    problem.value = ''
    state.value = 'opening'
    try {
      const blob = await fetchPhoto()
      if (!blob) return
      const found = await picture.open(blob)
      if (!found) {
        problem.value = MEASURE.tooLarge
        return
      }
      size.value = found
    } catch {
      problem.value = MEASURE.cannotOpen
      return
    }
    state.value = 'looking'
    const found = await picture.card()
    card.value = found && !('code' in found) ? found : null
    problem.value = found && 'code' in found && found.code !== 'no-card' ? sayPicture(found) : ''
    state.value = 'ready'
  }
  onMounted(open)

  return {
    picture,
    size,
    card,
    state,
    problem,
    open,
    corners: computed(() => Object.values(card.value?.corners ?? {}).flatMap((one) => (one ? [one] : [])))
  }
}

export type Measuring = ReturnType<typeof useMeasuring>
