import type { Ref } from 'vue'
import type { Workshop } from '../../core/record'

/** What stands for this workshop on its pages; null until it is known (pages for customers never ask). */
export function useWorkshop(): Ref<Workshop | null> {
  return useState<Workshop | null>('workshop', () => null)
}
