import { flag, needed, sayOfCheck, shape } from '../../../../core/check'
import { told } from '../../../../words/problems'
import { removeCustomer } from '../../../store/customers'
import { checkInput, readJson, readParam, route } from '../../../utils/route'

const schema = shape({ removed: flag().required(needed) }).required(sayOfCheck('object'))

export default route(async (event) => {
  const { removed } = checkInput(schema, await readJson(event), told('customer-not-kept'))
  return removeCustomer(readParam(event, 'id'), removed)
})
