import { told } from '../../../words/problems'
import { getQuery } from 'h3'
import { randomUUID } from 'node:crypto'
import { sayOfCheck, shape, text, uuid } from '../../../core/check'
import { broughtBy } from '../../access/author'
import { heavily } from '../../heavy/heavily'
import { checkInput, route } from '../../utils/route'
import { spooled } from '../../utils/spool'

/** Greatest job file taken in as lines, its 500 photos with it. */
const LIMIT = 4 * 1024 * 1024 * 1024

/**
 * `id`: that of the new job, chosen by the sender, so that a file sent twice because an answer was lost is taken in
 * once.
 */
const schema = shape({ by: text(80), id: uuid() }).required(sayOfCheck('object'))

export default route(async (event) => {
  const { by, id = randomUUID() } = checkInput(schema, getQuery(event), told('who-brings-it'))
  return spooled(event, LIMIT, async (file) =>
    heavily('long', 'importSpooled', id, file, await broughtBy(event, by), new Date().toISOString())
  )
})
