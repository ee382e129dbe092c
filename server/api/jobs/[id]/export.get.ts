import { getQuery, setResponseHeader } from 'h3'
import { Readable } from 'node:stream'
import { oneOf, shape } from '../../../../core/check'
import { exported } from '../../../store/exports'
import { checked, named, route } from '../../../utils/route'

const schema = shape({ form: oneOf('json', 'lines') }).required('expected a question')

/** A job as a file. */
export default route(async (event) => {
  const { form } = checked(schema, getQuery(event), 'Ask for json or lines.')
  const { name, lines, pieces } = await exported(named(event, 'id'), form)
  setResponseHeader(event, 'Content-Type', lines ? 'application/x-ndjson' : 'application/json')
  setResponseHeader(event, 'Content-Disposition', `attachment; filename="${name}.umbrette-job.${lines ? 'ndjson' : 'json'}"`)
  return Readable.from(pieces)
})
