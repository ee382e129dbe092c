import { told } from '../../../../words/problems'
import { getQuery } from 'h3'
import { sayOfCheck, shape, text } from '../../../../core/check'
import { sheetRevision } from '../../../store/sheets'
import { checked, named, route } from '../../../utils/route'

const schema = shape({ revision: text(7).matches(/^\d+$/, told('a-whole-number')) }).required(sayOfCheck('object'))

export default route(async (event) => {
  const { revision } = checked(schema, getQuery(event), told('no-such-revision'))
  return sheetRevision(named(event, 'id'), revision === undefined ? undefined : Number(revision))
})
