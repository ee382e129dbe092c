import type { H3Event } from 'h3'
import { createWriteStream } from 'node:fs'
import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pipeline } from 'node:stream/promises'
import { checkLength } from './route'

/**
 * Works on a request's body as a file on disk: it need not fit into memory. The file goes with the work, or with the
 * connection.
 */
export async function spooled<T>(event: H3Event, limit: number, work: (file: string) => Promise<T>): Promise<T> {
  checkLength(event, limit)
  const folder = await mkdtemp(join(tmpdir(), 'umbrette-import-'))
  try {
    const file = join(folder, 'brought')
    await pipeline(event.node.req, createWriteStream(file, { mode: 0o600 }))
    return await work(file)
  } finally {
    await rm(folder, { recursive: true, force: true })
  }
}
