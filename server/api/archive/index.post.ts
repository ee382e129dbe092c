import { getQuery } from 'h3'
import { sayOfCheck, shape, text } from '../../../core/check'
import { told } from '../../../words/problems'
import { broughtBy } from '../../access/author'
import { takeArchive } from '../../archive/take'
import { checkInput, route } from '../../utils/route'
import { spooled } from '../../utils/spool'
import { tellLines } from '../../utils/telling'

/** Greatest archive: no workshop has more pictures. */
const LIMIT = 256 * 1024 * 1024 * 1024

const schema = shape({ by: text(80) }).required(sayOfCheck('object'))

/** Takes a whole workshop in, telling how far it is. */
export default route(async (event) => {
  const { by } = checkInput(schema, getQuery(event), told('who-brings-it'))
  const name = await broughtBy(event, by)
  await spooled(event, LIMIT, (file) => tellLines(event, (telling) => takeArchive(file, { ...telling, by: name })))
})
