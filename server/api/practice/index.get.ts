import { getQuery } from 'h3'
import { localDay } from '../../../core/math'
import { shape, text } from '../../../core/check'
import { practiceLobby } from '../../store/practice'
import { checked, route } from '../../utils/route'

const schema = shape({ by: text(80) }).required('expected a question')

export default route(async (event) => {
  const { by = '' } = checked(schema, getQuery(event), 'Say who practises.')
  return practiceLobby(by, localDay(new Date()))
})
