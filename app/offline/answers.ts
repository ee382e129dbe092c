/** What pages and their service worker know of each other. */

/** Name of the cache in which answers of the server are kept, for when it is away. */
export const ANSWERS = 'umbrette-answers'
/** What stands in it while a sign-out could not be told to the server yet. */
export const SIGN_OUT_LATER = '/sign-out-later'
/** What a page says to a newer worker that waits: the one before it is let go. */
export const TAKE_OVER = 'take-over'

/** An address as answers are kept under it: what it asks for in one order, and nothing that is left empty. */
export function answerKey(address: string): string {
  const { pathname, searchParams } = new URL(address, 'http://here')
  const asked = [...searchParams].filter(([, value]) => value !== '').sort(([a], [b]) => (a < b ? -1 : 1))
  const query = new URLSearchParams(asked).toString()
  return query ? `${pathname}?${query}` : pathname
}

const here = () => typeof caches !== 'undefined'

/** Keeps what a page holds as the answer to an address, as if it had been asked for. */
export async function keepAnswer(path: string, value: unknown): Promise<void> {
  if (!here()) return
  const answer = new Response(JSON.stringify(value), { headers: { 'content-type': 'application/json' } })
  // A device without room goes on without.
  await caches.open(ANSWERS).then(
    (cache) => cache.put(answerKey(path), answer).catch(() => undefined),
    () => undefined
  )
}

/**
 * Forgets what was kept of answers.
 * @param how `signOutLater`: the server is told of the sign-out before anything else is asked
 */
export async function forgetAnswers({ signOutLater }: { signOutLater: boolean }): Promise<void> {
  if (!here()) return
  await caches.delete(ANSWERS)
  if (signOutLater) await (await caches.open(ANSWERS)).put(SIGN_OUT_LATER, new Response(''))
}
