import { type Ref, shallowRef, watch } from 'vue'
import type { Message } from '../../core/check'
import type { MeasureFile, Measurement } from '../../core/picture'
import type { Measuring } from './useMeasuring'

/** What a photo comes to as points are put on it: of the file as it stands; null before every point is put. */
export function useMeasured({ picture }: Measuring, file: Readonly<Ref<MeasureFile | null>>) {
  const measured = shallowRef<Measurement | Message | null>(null)
  let asking = 0
  watch(file, async (now) => {
    const turn = ++asking
    const answer = now ? await picture.measure(now) : null
    // An answer overtaken by a newer question is dropped.
    if (turn === asking) measured.value = answer
  })
  return measured
}
