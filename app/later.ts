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

/** Called once the page stands. */
export function startLoading(): void {
  const all = () => {
    if (due) return
    due = true
    waiting.splice(0).forEach(start)
  }
  for (const touch of ['pointerdown', 'keydown']) window.addEventListener(touch, all, { once: true, passive: true })
  setTimeout(all, QUIET_MS)
}

/** What cannot be loaded now is asked for again when it is shown. */
function start(load: () => unknown): void {
  void Promise.resolve(load()).catch(() => undefined)
}
