import { useElementSize, useEventListener } from '@vueuse/core'
import { nextTick, onMounted, type Ref, ref, watch } from 'vue'

/** px that a strip may be off by. */
const NEAR = 2

/**
 * A strip of things side by side that has more than fit: the chosen one is in view, the first one in view is whole,
 * and there is a way to the others.
 * @param strip what scrolls
 * @param items what stands in it, as a selector
 * @param chosen the one that is chosen, as a selector
 * @param changes what may have chosen another
 */
export function useStrip(strip: Ref<HTMLElement | null>, items: string, chosen: string, changes: () => unknown) {
  const [before, after] = [ref(false), ref(false)]
  const { width } = useElementSize(strip)
  const all = () => [...(strip.value?.querySelectorAll<HTMLElement>(items) ?? [])]
  const startOf = (item: HTMLElement) =>
    item.getBoundingClientRect().left - strip.value!.getBoundingClientRect().left + strip.value!.scrollLeft

  function measure(): void {
    const row = strip.value
    if (!row) return
    before.value = row.scrollLeft > NEAR
    after.value = row.scrollLeft + row.clientWidth < row.scrollWidth - NEAR
  }
  useEventListener(strip, 'scroll', measure, { passive: true })

  /** Scrolls so far that the first in view is whole, and this one is in view. */
  function show(item: HTMLElement | null | undefined): void {
    const row = strip.value
    if (!row || !item) return
    const end = startOf(item) + item.offsetWidth
    const first = all().find((one) => end - startOf(one) <= row.clientWidth) ?? item
    row.scrollLeft = row.scrollWidth <= row.clientWidth + NEAR ? 0 : startOf(first)
    measure()
  }
  /** On to what is cut off at the end, or back by as much. */
  function step(by: 1 | -1): void {
    const row = strip.value
    if (!row) return
    const starts = all().map(startOf)
    const [from, to] = [row.scrollLeft, row.scrollLeft + row.clientWidth]
    const ends = all().map((one) => startOf(one) + one.offsetWidth)
    const cut = starts[ends.findIndex((end) => end > to + NEAR)]
    row.scrollLeft = by === 1 ? (cut ?? to) : (starts.find((start) => start >= from - row.clientWidth - NEAR) ?? 0)
    measure()
  }
  const again = () => void nextTick(() => show(strip.value?.querySelector<HTMLElement>(chosen)))
  onMounted(again)
  watch([changes, width], again)

  return { step, before, after }
}
