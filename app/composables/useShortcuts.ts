import { useEventListener } from '@vueuse/core'

/** What keys do, by key; `1-7` stands for any of those digits. */
export type Shortcuts = Record<string, (key: string) => void>

/**
 * Single keys for the whole page: they do nothing while something is typed, a dialog is open, or with a modifier held.
 */
export function useShortcuts(shortcuts: Shortcuts): void {
  useEventListener('keydown', (event) => {
    const target = event.target as HTMLElement
    if (event.ctrlKey || event.metaKey || event.altKey || event.repeat) return
    if (
      /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName) ||
      document.querySelector('[role=dialog]') ||
      target.closest('[role=listbox], [role=radiogroup]')
    )
      return
    const act = shortcuts[event.key] ?? (/^[1-7]$/.test(event.key) ? shortcuts['1-7'] : undefined)
    if (!act) return
    event.preventDefault()
    act(event.key)
  })
}
