/** What pages and their service worker know of each other. */

/** Name of the cache in which answers of the server are kept, for when it is away. */
export const ANSWERS = 'umbrette-answers'
/** What stands in it while a sign-out could not be told to the server yet. */
export const SIGN_OUT_LATER = '/sign-out-later'
/** What the worker tells pages: is what they see what was kept, as the server is away? */
export interface AwayNote {
  away: boolean
}
/** What a page says to a newer worker that waits: the one before it is let go. */
export const TAKE_OVER = 'take-over'
/** What it says to the one that is there: nothing it still asks for may keep the newer one waiting. */
export const GIVE_WAY = 'give-way'

/** An address as answers are kept under it: what it asks for in one order, and nothing that is left empty. */
export function answerKey(address: string): string {
  const { pathname, searchParams } = new URL(address, 'http://here')
  const asked = [...searchParams].filter(([, value]) => value !== '').sort(([a], [b]) => (a < b ? -1 : 1))
  const query = new URLSearchParams(asked).toString()
  return query ? `${pathname}?${query}` : pathname
}

/** What a page gives the worker to keep, as if it had been asked for. */
export interface KeptNote {
  keep: string
  value: unknown
}

/** Is there a worker to keep anything? Known once the page has asked for it; without it nothing is waited for. */
let tellServed: (served: boolean) => void
const served = new Promise<boolean>((resolve) => (tellServed = resolve))
export const sayServed = (is: boolean) => tellServed(is)

/**
 * Has what a page holds kept as the answer to an address. The worker keeps it: it goes on where the page is being left.
 */
export async function keepAnswer(path: string, value: unknown): Promise<void> {
  const { serviceWorker } = navigator
  if (!serviceWorker || !(await served)) return
  // As plain text: what a page holds may be more than can be handed over.
  const note: KeptNote = { keep: answerKey(path), value: JSON.parse(JSON.stringify(value)) }
  ;(await serviceWorker.ready).active?.postMessage(note)
}

/**
 * Forgets what was kept of answers.
 * @param how `signOutLater`: the server is told of the sign-out before anything else is asked
 */
export async function forgetAnswers({ signOutLater }: { signOutLater: boolean }): Promise<void> {
  if (typeof caches === 'undefined') return
  await caches.delete(ANSWERS)
  if (signOutLater) await (await caches.open(ANSWERS)).put(SIGN_OUT_LATER, new Response(''))
}

const ERASED = 'umbrette.erased'

/** Where something was erased for good since this device asked last, what it kept of answers goes. */
export async function forgetErased(erased: string): Promise<void> {
  if (erased === (localStorage.getItem(ERASED) ?? '')) return
  await forgetAnswers({ signOutLater: false })
  localStorage.setItem(ERASED, erased)
}
