import { findCustomer } from '../../../store/customers'
import { readParam, route } from '../../../utils/route'

export default route(async (event) => findCustomer(readParam(event, 'id')))
