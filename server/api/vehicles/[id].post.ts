import { told } from '../../../words/problems'
import { sayOfCheck, shape, text, words } from '../../../core/check'
import { changeVehicle } from '../../store/vehicles'
import { checkInput, readParam, readJson, route } from '../../utils/route'

const schema = shape({ name: words(120, told('vehicle')), note: text(2000) }).required(sayOfCheck('object'))

export default route(async (event) => {
  const { name, note = '' } = checkInput(schema, await readJson(event), told('name-vehicle'))
  await changeVehicle(readParam(event, 'id'), { name, note })
  return { name: name.trim(), note }
})
