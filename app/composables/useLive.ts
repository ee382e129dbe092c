import { onMounted, onUnmounted } from 'vue'
import { leaveIfOut } from '../leaving'

/**
 * Something happened to a job: an act was kept at a place in the workshop's order, or (without one) its summary is new.
 * `part`: another part of it is open on its bench. Null: something may have been missed.
 */
export type Happened = { job: string; place: number | null; part?: string } | null

const LOCK = 'umbrette.live'
const listeners = new Set<(happened: Happened) => void>()
let channel: BroadcastChannel | null = null
/** Gives the stream up, or the wish for it. */
let letGo: (() => void) | null = null

/**
 * Follows what happens in the workshop. However many tabs a browser has open, one of those in view holds the one stream
 * and tells the others; a hidden tab holds none, and looks for what it missed when it is seen again.
 */
export function useLive(listen: (happened: Happened) => void): void {
  onMounted(() => {
    listeners.add(listen)
    if (listeners.size === 1) begin()
  })
  onUnmounted(() => {
    listeners.delete(listen)
    if (listeners.size === 0) end()
  })
}

function begin(): void {
  if (typeof EventSource === 'undefined') return
  if (typeof BroadcastChannel !== 'undefined') {
    channel = new BroadcastChannel(LOCK)
    channel.onmessage = ({ data }) => tell(data as Happened)
  }
  document.addEventListener('visibilitychange', follow)
  follow()
}

function end(): void {
  document.removeEventListener('visibilitychange', follow)
  leave()
  channel?.close()
  channel = null
}

/** A tab in view wants the stream; a hidden one leaves it to others. */
function follow(): void {
  if (document.visibilityState === 'hidden') return leave()
  if (letGo) return
  tell(null)
  if (!navigator.locks) {
    letGo = stream()
    return
  }
  const wish = new AbortController()
  letGo = () => wish.abort()
  navigator.locks
    .request(
      LOCK,
      { signal: wish.signal },
      () =>
        new Promise<void>((done) => {
          const close = stream()
          letGo = () => {
            close()
            done()
          }
        })
    )
    .catch(() => undefined)
}

function leave(): void {
  letGo?.()
  letGo = null
}

/** Opens the stream; the browser reconnects by itself, and whoever listens looks for what came meanwhile. */
function stream(): () => void {
  const source = new EventSource('/api/live')
  source.onopen = () => pass(null)
  source.onerror = () => void leaveIfOut()
  source.onmessage = ({ data }) => {
    const told = JSON.parse(String(data)) as { job: string | null; place: number | null; part?: string }
    pass(told.job === null ? null : { ...told, job: told.job })
  }
  return () => source.close()
}

function pass(happened: Happened): void {
  channel?.postMessage(happened)
  tell(happened)
}

function tell(happened: Happened): void {
  for (const listen of listeners) listen(happened)
}
