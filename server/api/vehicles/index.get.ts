import { told } from '../../../words/problems'
import { getQuery } from 'h3'
import { pageAsked, sayOfCheck, shape, text } from '../../../core/check'
import { vehiclesText } from '../../store/vehicles'
import { asJson, checkInput, route } from '../../utils/route'

const schema = shape({ search: text(200), page: pageAsked() }).required(sayOfCheck('object'))

export default route(async (event) => {
  const { search = '', page = '0' } = checkInput(schema, getQuery(event), told('vehicles-not-asked'))
  return asJson(event, await vehiclesText({ search, page: Number(page) }))
})
