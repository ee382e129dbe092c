import { customerSchema } from '../../../../core/record'
import { told } from '../../../../words/problems'
import { changeCustomer } from '../../../store/customers'
import { checkInput, readJson, readParam, route } from '../../../utils/route'

export default route(async (event) =>
  changeCustomer(readParam(event, 'id'), checkInput(customerSchema, await readJson(event), told('customer-not-kept')))
)
