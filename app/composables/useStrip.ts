import { useElementSize, useEventListener } from '@vueuse/core'
import { onMounted, type Ref, ref, watch } from 'vue'

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
  /** Where each stands in the row, px from its start; asked for in one go, as each asking lays the page out. */
  const placed = (row: HTMLElement) => {
    const off = row.scrollLeft - row.getBoundingClientRect().left
    return [...row.querySelectorAll<HTMLElement>(items)].map((item) => {
      const { left, right } = item.getBoundingClientRect()
      return { item, start: left + off, end: right + off }
    })
  }

  function measure(): void {
    const row = strip.value
    if (!row) return
    before.value = row.scrollLeft > NEAR
    after.value = row.scrollLeft + row.clientWidth < row.scrollWidth - NEAR
  }
  useEventListener(strip, 'scroll', measure, { passive: true })

  /** Scrolls so far that the first in view is whole, and the chosen one is in view. */
  function show(): void {
    const row = strip.value
    if (!row) return
    if (row.scrollWidth > row.clientWidth + NEAR) {
      const all = placed(row)
      const chosenOne = row.querySelector(chosen)
      const shown = all.find(({ item }) => item === chosenOne || item.contains(chosenOne))
      if (!shown) return
      row.scrollLeft = (all.find(({ start }) => shown.end - start <= row.clientWidth) ?? shown).start
    } else row.scrollLeft = 0
    measure()
  }
  /** On to what is cut off at the end, or back by as much. */
  function step(by: 1 | -1): void {
    const row = strip.value
    if (!row) return
    const all = placed(row)
    const [from, to] = [row.scrollLeft, row.scrollLeft + row.clientWidth]
    const next =
      by === 1
        ? all.find(({ end }) => end > to + NEAR)
        : all.find(({ start }) => start >= from - row.clientWidth - NEAR)
    row.scrollLeft = next?.start ?? (by === 1 ? to : 0)
    measure()
  }
  // With the next picture, when what stands on the page is known anyway.
  const again = () => void window.requestAnimationFrame(show)
  onMounted(again)
  watch([changes, width], again)

  return { step, before, after }
}
