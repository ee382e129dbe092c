import { told } from '../../../../words/problems'
import { getQuery, setResponseHeader } from 'h3'
import { Readable } from 'node:stream'
import { oneOf, sayOfCheck, shape } from '../../../../core/check'
import { exportText } from '../../../store/exports'
import { checkInput, readParam, route } from '../../../utils/route'

const schema = shape({ form: oneOf('json', 'lines') }).required(sayOfCheck('object'))

/** A job as a file. */
export default route(async (event) => {
  const { form } = checkInput(schema, getQuery(event), told('json-or-lines'))
  const { name, lines, pieces } = await exportText(readParam(event, 'id'), form)
  setResponseHeader(event, 'Content-Type', lines ? 'application/x-ndjson' : 'application/json')
  setResponseHeader(
    event,
    'Content-Disposition',
    `attachment; filename="${name}.umbrette-job.${lines ? 'ndjson' : 'json'}"`
  )
  return Readable.from(pieces)
})
