import { told } from '../../../../words/problems'
import { getQuery } from 'h3'
import { sayOfCheck, shape, text } from '../../../../core/check'
import { sheetRevision } from '../../../store/sheets'
import { checkInput, readParam, route } from '../../../utils/route'

const schema = shape({ revision: text(7).matches(/^\d+$/, told('a-whole-number')) }).required(sayOfCheck('object'))

export default route(async (event) => {
  const { revision } = checkInput(schema, getQuery(event), told('no-such-revision'))
  return sheetRevision(readParam(event, 'id'), revision === undefined ? undefined : Number(revision))
})
