/** The service worker as pages know it: what it keeps of answers, and how it is told to forget them. */

/** Name of the cache in which answers of the server are kept, for when it is away. */
export const ANSWERS = 'umbrette-answers'
/** What stands in it while a sign-out could not be told to the server yet. */
export const SIGN_OUT_LATER = '/sign-out-later'

/**
 * Forgets what was kept of answers.
 * @param how `signOutLater`: the server is told of the sign-out before anything else is asked
 */
export async function forgetAnswers({ signOutLater }: { signOutLater: boolean }): Promise<void> {
  if (typeof caches === 'undefined') return
  await caches.delete(ANSWERS)
  if (signOutLater) await (await caches.open(ANSWERS)).put(SIGN_OUT_LATER, new Response(''))
}
