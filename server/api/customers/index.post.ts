import { customerSchema } from '../../../core/record'
import { told } from '../../../words/problems'
import { addCustomer } from '../../store/customers'
import { checkInput, readJson, route } from '../../utils/route'

export default route(async (event) => ({
  id: await addCustomer(checkInput(customerSchema, await readJson(event), told('customer-not-kept')))
}))
