import { getQuery, type H3Event } from 'h3'
import { createWriteStream } from 'node:fs'
import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pipeline } from 'node:stream/promises'
import { shape, text } from '../../../core/check/rules'
import { heavily } from '../../heavy/heavily'
import { checked, checkLength, route } from '../../utils/route'

/** Greatest job file taken in as lines, its 500 photos with it. */
const LIMIT = 4 * 1024 * 1024 * 1024

const schema = shape({ by: text(80) }).required('expected a question')

export default route(async (event) => {
  const { by } = checked(schema, getQuery(event), 'Say who brings it in, in at most 80 characters.')
  checkLength(event, LIMIT)
  const folder = await mkdtemp(join(tmpdir(), 'umbrette-import-'))
  try {
    const file = await spooled(event, folder)
    return await heavily('long', 'importSpooled', file, by?.trim() || 'import', new Date().toISOString())
  } finally {
    await rm(folder, { recursive: true, force: true })
  }
})

/** The request's body on disk: it need not fit into memory. Ends with the connection. */
async function spooled(event: H3Event, folder: string): Promise<string> {
  const file = join(folder, 'job')
  await pipeline(event.node.req, createWriteStream(file, { mode: 0o600 }))
  return file
}
