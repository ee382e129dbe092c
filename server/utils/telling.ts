import type { H3Event } from 'h3'
import { told } from '../../words/problems'
import { log } from './log'
import { Problem } from './problem'

/** How work tells how far it is, and hears whether whoever asked has gone away. */
export interface Telling {
  progress: (done: number, all: number) => void
  gone: () => boolean
}

/**
 * Does work that takes long, telling how far it is a line at a time; the last line is what it came to, or why it did
 * not. What fails before anything was told is answered as everywhere.
 */
export async function tellLines(event: H3Event, work: (telling: Telling) => Promise<object>): Promise<void> {
  const { res } = event.node
  let begun = false
  const tell = (line: object) => {
    if (!begun) res.writeHead(200, { 'Content-Type': 'application/x-ndjson', 'Cache-Control': 'no-store' })
    begun = true
    if (!res.writableEnded) res.write(`${JSON.stringify(line)}\n`)
  }
  try {
    const taken = await work({
      progress: (done, all) => tell({ done, all }),
      gone: () => res.destroyed || res.closed
    })
    tell({ taken })
  } catch (error) {
    if (!begun) throw error
    const problem = error instanceof Problem ? error : new Problem('internal', told('internal'), [], { cause: error })
    if (problem.status >= 500) log.error({ err: error }, 'what was told a line at a time broke off')
    tell(problem.body())
  }
  res.end()
}
