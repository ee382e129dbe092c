import { getQuery } from 'h3'
import { sayOfCheck, shape, text } from '../../core/check'
import { told } from '../../words/problems'
import { shownTo } from '../access/author'
import { workshopLearnt } from '../store/learning'
import { checkInput, route } from '../utils/route'

const schema = shape({ by: text(80) }).required(sayOfCheck('object'))

export default route(async (event) => {
  const { by = '' } = checkInput(schema, getQuery(event), told('learnt-not-asked'))
  return workshopLearnt(await shownTo(event, by))
})
