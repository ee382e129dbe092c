import { told } from '../../../words/problems'
import { getQuery, type H3Event } from 'h3'
import { randomUUID } from 'node:crypto'
import { createWriteStream } from 'node:fs'
import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pipeline } from 'node:stream/promises'
import { sayOfCheck, shape, text } from '../../../core/check'
import { broughtBy } from '../../access/author'
import { heavily } from '../../heavy/heavily'
import { isUuid } from '../../store/jobs'
import { checkInput, checkLength, route } from '../../utils/route'

/** Greatest job file taken in as lines, its 500 photos with it. */
const LIMIT = 4 * 1024 * 1024 * 1024

/**
 * `id`: that of the new job, chosen by the sender, so that a file sent twice because an answer was lost is taken in
 * once.
 */
const schema = shape({
  by: text(80),
  id: text(36).test('uuid', told('a-uuid'), (value) => value === undefined || isUuid(value))
}).required(sayOfCheck('object'))

export default route(async (event) => {
  const { by, id = randomUUID() } = checkInput(schema, getQuery(event), told('who-brings-it'))
  checkLength(event, LIMIT)
  const folder = await mkdtemp(join(tmpdir(), 'umbrette-import-'))
  try {
    const file = await spool(event, folder)
    return await heavily('long', 'importSpooled', id, file, await broughtBy(event, by), new Date().toISOString())
  } finally {
    await rm(folder, { recursive: true, force: true })
  }
})

/** The request's body on disk: it need not fit into memory. Ends with the connection. */
async function spool(event: H3Event, folder: string): Promise<string> {
  const file = join(folder, 'job')
  await pipeline(event.node.req, createWriteStream(file, { mode: 0o600 }))
  return file
}
