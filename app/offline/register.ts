import { ref } from 'vue'
import { type AwayNote, GIVE_WAY, sayServed, TAKE_OVER } from './answers'

/** A newer version that waits to be taken. */
export const newer = ref<ServiceWorker | null>(null)

/** Is the server away, and what stands here what was kept? */
export const away = ref(false)

/** Hears from the service worker, from before the page stands. */
export function hearOfAway(): void {
  navigator.serviceWorker?.addEventListener('message', ({ data }) => {
    away.value = (data as AwayNote).away
  })
  navigator.serviceWorker?.startMessages()
}

/** Registers the service worker; a browser that has none, or a page that is not secure, goes on without. */
export async function keepServiceWorker(): Promise<void> {
  const { serviceWorker } = navigator
  if (!serviceWorker) return
  try {
    const registration = await serviceWorker.register('/sw.js')
    sayServed(Boolean(registration))
    const look = () => {
      if (registration.waiting && serviceWorker.controller) newer.value = registration.waiting
    }
    look()
    registration.addEventListener('updatefound', () => {
      const { installing } = registration
      installing?.addEventListener('statechange', look)
    })
    document.addEventListener('visibilitychange', () => {
      if (document.visibilityState === 'visible') void registration.update().catch(() => undefined)
    })
  } catch {
    sayServed(false)
    // Without it everything works while the server is there.
  }
}

/** Takes the newer version: what waits on the device stays there, and goes out from the new page. */
export function takeNewer(): void {
  navigator.serviceWorker.addEventListener('controllerchange', () => window.location.reload(), { once: true })
  navigator.serviceWorker.controller?.postMessage(GIVE_WAY)
  newer.value?.postMessage(TAKE_OVER)
}
