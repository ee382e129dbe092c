import { told } from '../../../words/problems'
import { getQuery } from 'h3'
import { localDay } from '../../../core/math'
import { sayOfCheck, shape, text } from '../../../core/check'
import { practiceLobby } from '../../store/practice'
import { checkInput, route } from '../../utils/route'

const schema = shape({ by: text(80) }).required(sayOfCheck('object'))

export default route(async (event) => {
  const { by = '' } = checkInput(schema, getQuery(event), told('who-practises'))
  return practiceLobby(by, localDay(new Date()))
})
