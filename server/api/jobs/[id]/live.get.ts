import { createEventStream, defineEventHandler, getQuery, getRequestHeader, getRouterParam, setResponseStatus } from 'h3'
import { onAct } from '../../../live/listen'
import { actsAfter, findJob } from '../../../store/jobs'
import { log } from '../../../utils/log'
import { Problem } from '../../../utils/problem'

/** Acts on a job as they are kept, each once, from those after `after` (or the last one a broken stream got) on. */
export default defineEventHandler(async (event) => {
  const id = getRouterParam(event, 'id')!
  try {
    await findJob(id)
  } catch (error) {
    if (!(error instanceof Problem)) throw error
    setResponseStatus(event, error.status)
    return error.body()
  }
  const from = Number(getRequestHeader(event, 'last-event-id') ?? getQuery(event).after ?? 0) || 0
  const stream = createEventStream(event)
  const sent = new Set<number>()
  let pushing = Promise.resolve()
  const push = async () => {
    for (const kept of await actsAfter(id, from)) {
      if (sent.has(kept.seq)) continue
      sent.add(kept.seq)
      await stream.push({ id: String(kept.seq), data: JSON.stringify(kept) })
    }
  }
  // One after another, so that nothing is sent twice or out of order.
  const tell = () => (pushing = pushing.then(push).catch((error: unknown) => log.warn({ err: error }, 'live acts were not sent')))
  const stop = onAct(id, () => void tell())
  const beat = setInterval(() => void stream.push({ event: 'beat', data: '' }), 20_000)
  stream.onClosed(async () => {
    stop()
    clearInterval(beat)
    await stream.close()
  })
  void tell()
  return stream.send()
})
