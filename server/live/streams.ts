import { told } from '../../words/problems'
import type { H3Event } from 'h3'
import { log } from '../utils/log'
import { Problem } from '../utils/problem'
import { onHappened, type Happened } from './listen'

/** Streams that one client may hold: a browser needs one. */
const MOST_A_CLIENT = 20
/** Bytes that may wait for a client that does not read; then it is let go. */
const MOST_WAITING = 64 * 1024
const BEAT_MS = 20_000

const held = new Map<string, number>()

/**
 * Streams what happens to the workshop's jobs until the client goes, as server-sent events. Everything that it takes up
 * is given back with the connection, whenever that ends.
 * @param isStillIn may who asks go on listening? Asked again every twenty seconds
 * @throws Problem too-many
 */
export function streamHappened(event: H3Event, isStillIn: () => Promise<boolean>): Promise<void> {
  const { req, res } = event.node
  // Gone while it was looked at who asks: it closes no second time, so nothing of it may be counted.
  if (res.destroyed) return Promise.resolve()
  const client = req.socket.remoteAddress ?? ''
  if ((held.get(client) ?? 0) >= MOST_A_CLIENT)
    throw new Problem('too-many', told('too-many-streams', { most: MOST_A_CLIENT }))
  held.set(client, (held.get(client) ?? 0) + 1)
  return new Promise((done) => {
    const send = (text: string) => {
      if (res.destroyed) return
      if (res.writableLength > MOST_WAITING) res.destroy()
      else res.write(text)
    }
    const stop = onHappened((happened) => send(toldAs(happened)))
    const beat = setInterval(() => {
      send(': beat\n\n')
      isStillIn().then(
        (still) => still || res.destroy(),
        () => undefined
      )
    }, BEAT_MS)
    res.once('close', () => {
      stop()
      clearInterval(beat)
      const left = (held.get(client) ?? 1) - 1
      if (left > 0) held.set(client, left)
      else held.delete(client)
      done()
    })
    res.on('error', (error) => log.debug({ err: error }, 'a live stream broke'))
    res.writeHead(200, {
      'Content-Type': 'text/event-stream',
      'Cache-Control': 'no-cache, no-transform',
      'X-Accel-Buffering': 'no'
    })
    send('retry: 3000\n\n')
    // Asked and gone before it was answered.
    if (req.destroyed || res.destroyed) res.destroy()
  })
}

/** Streams held now, by all clients. */
export function streamsHeld(): number {
  return [...held.values()].reduce((sum, count) => sum + count, 0)
}

function toldAs(happened: Happened | null): string {
  return `data: ${JSON.stringify(happened ?? { job: null, place: null })}\n\n`
}
