import { defineAsyncComponent, type Component } from 'vue'

/** ms of quiet after which the rest is loaded, touched or not. */
const QUIET_MS = 3_000

const waiting: (() => unknown)[] = []
let due = false

/**
 * Loads something once the page stands: with the first touch, or after a few quiet seconds. Nobody waits for it, and it
 * is there when the connection no longer is.
 */
export function loadLater(load: () => unknown): void {
  if (due) start(load)
  else waiting.push(load)
}

/** A component that a page shows only at times: it comes when it is shown, or with the rest. */
export function later<C extends Component>(load: () => Promise<{ default: C }>): C {
  loadLater(load)
  return defineAsyncComponent(async () => (await load()).default)
}

/**
 * Called once the page stands. What comes may move what is there, so nothing starts while a finger is down: the touch
 * would end on something else, and be lost.
 */
export function startLoading(): void {
  let isDown = false
  const listening = new AbortController()
  const all = () => {
    if (due) return
    due = true
    listening.abort()
    waiting.splice(0).forEach(start)
  }
  const on = (event: string, does: () => void) =>
    window.addEventListener(event, does, { passive: true, capture: true, signal: listening.signal })
  on('pointerdown', () => (isDown = true))
  for (const end of ['pointerup', 'pointercancel'])
    on(end, () => {
      isDown = false
      // After the click that this touch makes.
      setTimeout(all)
    })
  on('keydown', () => setTimeout(all))
  setTimeout(() => isDown || all(), QUIET_MS)
}

/** What cannot be loaded now is asked for again when it is shown. */
function start(load: () => unknown): void {
  void Promise.resolve(load()).catch(() => undefined)
}
