/// <reference lib="webworker" />
import { answerKey, ANSWERS, type AwayNote, GIVE_WAY, type KeptNote, SIGN_OUT_LATER, TAKE_OVER } from './answers'

/**
 * The service worker: it opens the application, the board and the jobs seen lately while the server is away. Pages and
 * answers come from the server first; what they are made of comes from here, build by build, never mixed.
 */
declare const self: ServiceWorkerGlobalScope
/** Put in when it is bundled: which build this is of, and the files that its pages are made of. */
declare const BUILD: string
declare const FILES: readonly string[]

const SHELL = `umbrette-shell-${BUILD}`
const SHELL_PAGE = '/shell'
/** ms that a page, and an answer, may take before what was kept is shown. */
const PATIENCE = { page: 4000, answer: 8000 }
/** Answers kept at the most; the oldest go first. */
const MOST = 400
const MOST_BYTES = 4_000_000
const NEVER_KEPT =
  /^\/api\/(live|health|share|session|people\/\d+\/seal|network)\b|\/(export|report\.pdf|readings\.csv|check\.ics)$/
const NOT_OURS = /^\/(share|pair)\b/
/** A browser waits with a newer worker until this one asks for nothing more: what is under way is given up for it. */
const givenWay = new AbortController()

self.addEventListener('install', (event) => event.waitUntil(fill()))
self.addEventListener('activate', (event) => event.waitUntil(tidy()))
self.addEventListener('message', (event) => {
  const data = event.data as typeof TAKE_OVER | typeof GIVE_WAY | KeptNote
  if (data === TAKE_OVER) void self.skipWaiting()
  else if (data === GIVE_WAY) givenWay.abort()
  else event.waitUntil(keepNote(data))
})
self.addEventListener('fetch', (event) => {
  const { request } = event
  const url = new URL(request.url)
  if (request.method !== 'GET' || url.origin !== self.location.origin || givenWay.signal.aborted) return
  if (request.mode === 'navigate') {
    if (!NOT_OURS.test(url.pathname)) event.respondWith(page(request))
  } else if (url.pathname.startsWith('/api/')) {
    if (!NEVER_KEPT.test(url.pathname)) event.respondWith(answer(event, url))
  } else event.respondWith(file(request))
})

async function fill(): Promise<void> {
  const cache = await caches.open(SHELL)
  await cache.addAll([SHELL_PAGE, ...FILES].map((path) => new Request(path, { cache: 'reload' })))
}

/** What earlier builds left goes once this one has taken their place. */
async function tidy(): Promise<void> {
  for (const name of await caches.keys())
    if (name.startsWith('umbrette-shell-') && name !== SHELL) await caches.delete(name)
  await self.clients.claim()
}

/** A page as the server makes it; without it the shell, which makes the page of what was kept. */
async function page(request: Request): Promise<Response> {
  await tellSignOut()
  try {
    const made = await within(fetch(request, { signal: givenWay.signal }), PATIENCE.page)
    if (made.status < 502) return made
  } catch {
    // Away.
  }
  return (await (await caches.open(SHELL)).match(SHELL_PAGE)) ?? Response.error()
}

async function file(request: Request): Promise<Response> {
  return (await (await caches.open(SHELL)).match(request)) ?? fetch(request)
}

/** An answer of the server, kept; without it the one kept last. A photo never changes. */
async function answer(event: FetchEvent, url: URL): Promise<Response> {
  const path = answerKey(url.href)
  const cache = await caches.open(ANSWERS)
  const kept = await cache.match(path)
  if (kept && url.pathname.startsWith('/api/photos/')) return kept
  try {
    const asked = fetch(event.request, { signal: givenWay.signal })
    const fresh = await within(asked, kept ? PATIENCE.answer : 60_000)
    if (fresh.status === 401) event.waitUntil(caches.delete(ANSWERS))
    if (fresh.ok && isKeepable(fresh)) event.waitUntil(keep(cache, path, fresh.clone()))
    if (fresh.status >= 502 && kept) return shownKept(event, kept)
    if (away) event.waitUntil(tellPages(false))
    return fresh
  } catch (error) {
    if (kept) return shownKept(event, kept)
    throw error
  }
}

let away = false

function shownKept(event: FetchEvent, kept: Response): Response {
  event.waitUntil(tellPages(true))
  return kept
}

/** Pages say whether what they show is what was kept. */
async function tellPages(now: boolean): Promise<void> {
  away = now
  for (const client of await self.clients.matchAll({ includeUncontrolled: true }))
    client.postMessage({ away: now } satisfies AwayNote)
}

function isKeepable({ headers }: Response): boolean {
  const length = Number(headers.get('content-length') ?? 0)
  return length <= MOST_BYTES && /^(application\/json|image\/jpeg)/.test(headers.get('content-type') ?? '')
}

async function keepNote({ keep: path, value }: KeptNote): Promise<void> {
  const answer = new Response(JSON.stringify(value), { headers: { 'content-type': 'application/json' } })
  await keep(await caches.open(ANSWERS), path, answer)
}

async function keep(cache: Cache, path: string, fresh: Response): Promise<void> {
  try {
    // Read to its end first: a page that is left takes its unfinished answers with it, and what was kept must stay.
    const { status, headers } = fresh
    const read = new Response(await fresh.arrayBuffer(), { status, headers })
    await cache.delete(path)
    await cache.put(path, read)
    const all = await cache.keys()
    for (const old of all.slice(0, Math.max(0, all.length - MOST))) await cache.delete(old)
  } catch {
    // A device without room goes on without.
  }
}

/** Who signed out while the server was away is signed out there before anything else is asked. */
async function tellSignOut(): Promise<void> {
  const cache = await caches.open(ANSWERS)
  if (!(await cache.match(SIGN_OUT_LATER))) return
  const told = await fetch('/api/session/out', {
    method: 'POST',
    body: '{}',
    headers: { 'content-type': 'application/json' }
  }).catch(() => null)
  if (told?.ok) await cache.delete(SIGN_OUT_LATER)
}

function within(asked: Promise<Response>, ms: number): Promise<Response> {
  return new Promise((done, failed) => {
    const late = setTimeout(() => failed(new Error('late')), ms)
    asked.then(done, failed).finally(() => clearTimeout(late))
  })
}
