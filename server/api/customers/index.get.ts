import { told } from '../../../words/problems'
import { getQuery } from 'h3'
import { pageAsked, sayOfCheck, shape, text } from '../../../core/check'
import { customersText } from '../../store/customers'
import { asJson, checkInput, route } from '../../utils/route'

const schema = shape({ search: text(200), page: pageAsked() }).required(sayOfCheck('object'))

export default route(async (event) => {
  const { search = '', page = '0' } = checkInput(schema, getQuery(event), told('customers-not-asked'))
  return asJson(event, await customersText({ search, page: Number(page) }))
})
