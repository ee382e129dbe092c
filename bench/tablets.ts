import { randomUUID } from 'node:crypto'
import { DEMO_JOBS } from '../demo/workshop'
import { exportJob } from '../core/record'
import type { Roll } from '../core/math'
import { read } from '../test/support/jobs'

/** What a tablet does, and how many times of a hundred. */
const DOES = { reading: 55, open: 15, board: 12, photo: 8, search: 6, takeBack: 4 } as const
export type Doing = keyof typeof DOES

/** What simulated tablets did: ms of each answer, and what was acknowledged, to be looked for afterwards. */
export interface Done {
  times: Record<Doing, number[]>
  /** By job, the acts that were acknowledged. */
  acts: Map<string, string[]>
  photos: string[]
  refused: string[]
  /** Times that something was sent again, as no answer came. */
  again: number
  /** Lines that came over the live connections. */
  lines: number
  /** When each thing sent was acknowledged, ms. */
  acknowledged: number[]
}

export const nothingDone = (): Done => ({
  times: { reading: [], open: [], board: [], photo: [], search: [], takeBack: [] },
  acts: new Map(),
  photos: [],
  refused: [],
  again: 0,
  lines: 0,
  acknowledged: []
})

/** How a workshop is asked: its address, and who is signed in. */
export interface Asked {
  address: string
  headers: Record<string, string>
}

/** Takes in jobs to work on. @returns their ids */
export async function takeInJobs({ address, headers }: Asked, count: number): Promise<string[]> {
  const file = JSON.stringify(exportJob(DEMO_JOBS[0]!.job, []))
  const ids: string[] = []
  for (let i = 0; i < count; i++) {
    const answer = await fetch(`${address}api/jobs/import`, {
      method: 'POST',
      headers: { ...headers, 'content-type': 'application/json' },
      body: file
    })
    ids.push(((await answer.json()) as { id: string }).id)
  }
  return ids
}

/** What a tablet has in its hands. */
interface Tablet {
  asked: Asked
  job: string
  by: string
  picture: Uint8Array<ArrayBuffer>
  roll: Roll
  done: Done
  /** Its last reading. */
  last: string | null
}

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))
/** ms before something is sent again, and times that it is. */
const [AGAIN_MS, MOST_TIMES] = [500, 120]

/**
 * A person at a bench until the time is over: thinks for a while, does something, and holds a live connection all the
 * time. What gets no answer is sent again as a device does, with the same id.
 * @param thinks mean ms between two doings
 */
export async function work(tablet: Tablet, until: number, thinks: number): Promise<void> {
  const stop = new AbortController()
  const live = listen(tablet, stop.signal)
  await pause(tablet.roll.between(0, thinks))
  while (Date.now() < until) {
    const doing = pick(tablet.roll)
    const started = performance.now()
    await DOING[doing](tablet)
    tablet.done.times[doing].push(performance.now() - started)
    await pause(Math.min(-Math.log(1 - tablet.roll.between(0, 0.999)) * thinks, until - Date.now()))
  }
  stop.abort()
  await live
}

function pick(roll: Roll): Doing {
  let at = roll.between(0, 100)
  for (const [doing, share] of Object.entries(DOES)) if ((at -= share) < 0) return doing as Doing
  return 'reading'
}

const DOING: Record<Doing, (tablet: Tablet) => Promise<unknown>> = {
  reading: (tablet) => {
    const id = randomUUID()
    tablet.last = id
    return act(tablet, {
      id,
      type: 'read',
      reading: read.groove('guide', Number(tablet.roll.between(0, 1).toFixed(2)))
    })
  },
  takeBack: (tablet) => {
    const of = tablet.last
    tablet.last = null
    return of === null ? DOING.reading(tablet) : act(tablet, { id: randomUUID(), type: 'undo', act: of })
  },
  photo: async (tablet) => {
    const id = randomUUID()
    const kept = await send(tablet, `api/jobs/${tablet.job}/photos?id=${id}`, 'image/jpeg', tablet.picture)
    if (!kept) return
    tablet.done.photos.push(id)
    await act(tablet, { id: randomUUID(), type: 'photo', photo: id, part: 'guide' })
  },
  open: (tablet) => look(tablet, `api/jobs/${tablet.job}`),
  board: (tablet) => look(tablet, 'api/board'),
  search: (tablet) => look(tablet, `api/board?search=pilot%20${tablet.roll.below(9)}`)
}

async function act(tablet: Tablet, what: { id: string; type: string; [more: string]: unknown }): Promise<void> {
  const body = JSON.stringify({ ...what, by: tablet.by, at: new Date().toISOString() })
  const kept = await send(tablet, `api/jobs/${tablet.job}/acts`, 'application/json', body)
  if (!kept) return
  const { acts } = tablet.done
  acts.set(tablet.job, [...(acts.get(tablet.job) ?? []), what.id])
}

/** Sends something until it is acknowledged; what is refused for good is noted. */
async function send(
  { asked, done }: Tablet,
  path: string,
  type: string,
  body: string | Uint8Array<ArrayBuffer>
): Promise<boolean> {
  for (let times = 0; times < MOST_TIMES; times++) {
    const answer = await fetch(`${asked.address}${path}`, {
      method: 'POST',
      headers: { ...asked.headers, 'content-type': type },
      body
    }).catch(() => null)
    const text = await answer?.text().catch(() => null)
    if (answer?.ok && text !== null) {
      done.acknowledged.push(performance.now())
      return true
    }
    if (answer && answer.status < 500) {
      done.refused.push(`${answer.status} ${String(text).slice(0, 200)}`)
      return false
    }
    done.again++
    await pause(AGAIN_MS)
  }
  done.refused.push(`no answer in ${MOST_TIMES} times`)
  return false
}

async function look({ asked, done }: Tablet, path: string): Promise<void> {
  const answer = await fetch(`${asked.address}${path}`, { headers: asked.headers }).catch(() => null)
  const text = await answer?.text().catch(() => null)
  if (!answer || text === null || answer.status >= 500) done.again++
  else if (!answer.ok) done.refused.push(`${answer.status} ${String(text).slice(0, 200)}`)
}

/** The live connection, made again when it ends. */
async function listen({ asked, done }: Tablet, signal: AbortSignal): Promise<void> {
  while (!signal.aborted) {
    try {
      const answer = await fetch(`${asked.address}api/live`, { headers: asked.headers, signal })
      const reader = answer.body?.getReader()
      for (let piece = await reader?.read(); piece && !piece.done; piece = await reader!.read())
        done.lines += piece.value.filter((one) => one === 10).length
    } catch {
      // It is made again.
    }
    if (!signal.aborted) await pause(1000)
  }
}

/** What was acknowledged and is not there. */
export async function missingOf({ address, headers }: Asked, { acts, photos }: Done): Promise<string[]> {
  const missing: string[] = []
  for (const [job, ids] of acts) {
    const answer = await fetch(`${address}api/jobs/${job}`, { headers })
    const kept = new Set(
      ((await answer.json()) as { acts: { act: { id: string } }[] }).acts.map(({ act: one }) => one.id)
    )
    missing.push(...ids.filter((id) => !kept.has(id)))
  }
  for (const id of photos) {
    const answer = await fetch(`${address}api/photos/${id}`, { headers })
    await answer.arrayBuffer()
    if (!answer.ok) missing.push(id)
  }
  return missing
}

/** ms within which this share of answers came. */
export function within(times: readonly number[], share: number): number {
  const sorted = times.toSorted((a, b) => a - b)
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? Number.NaN
}
