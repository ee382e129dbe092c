import { useEventListener } from '@vueuse/core'
import { ref, type Ref } from 'vue'

/** Has the browser no room left for what waits? Then it is on this page alone. */
export const deviceFull = ref(false)

/**
 * A list kept on this device across reloads and shared between tabs. Every change starts from what is stored at that
 * moment, so that neither a second tab nor a second change in the same instant is lost.
 */
export function useDeviceList<T>(key: string): { list: Ref<T[]>; change: (edit: (now: T[]) => T[]) => void } {
  const list = ref(readStored<T>(key)) as Ref<T[]>
  if (typeof window !== 'undefined') {
    useEventListener(window, 'storage', (event) => {
      if (event.key === key) list.value = readStored(key)
    })
  }
  function change(edit: (now: T[]) => T[]): void {
    // What could not be stored is on this page alone.
    const next = edit(deviceFull.value ? list.value : readStored(key, list.value))
    list.value = next
    try {
      localStorage.setItem(key, JSON.stringify(next))
      deviceFull.value = false
    } catch {
      // Kept as long as this page is open; whoever uses it is told.
      deviceFull.value = true
    }
  }
  return { list, change }
}

function readStored<T>(key: string, otherwise: T[] = []): T[] {
  if (typeof localStorage === 'undefined') return otherwise
  try {
    const value: unknown = JSON.parse(localStorage.getItem(key) ?? '[]')
    return Array.isArray(value) ? (value as T[]) : otherwise
  } catch {
    return otherwise
  }
}
