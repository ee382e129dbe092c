import { told } from '../../../../words/problems'
import { getQuery } from 'h3'
import { sayOfCheck, shape, text } from '../../../../core/check'
import { actsAfter, actsAt } from '../../../store/acts'
import { checkInput, readParam, route } from '../../../utils/route'

const schema = shape({
  after: text(16).matches(/^\d+$/, told('a-whole-number')),
  places: text(4000).matches(/^\d{1,16}(,\d{1,16})*$/, told('whole-numbers'))
}).required(sayOfCheck('object'))

/** Acts kept after a place in the workshop's order, or at these places. */
export default route(async (event) => {
  const { after = '0', places } = checkInput(schema, getQuery(event), told('after-which-place'))
  const id = readParam(event, 'id')
  return places === undefined ? actsAfter(id, Number(after)) : actsAt(id, places.split(',').map(Number))
})
