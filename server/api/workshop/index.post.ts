import { workshopSchema } from '../../../core/record'
import { told } from '../../../words/problems'
import { keepWorkshop } from '../../store/workshop'
import { checkInput, readJson, route } from '../../utils/route'

export default route(async (event) =>
  keepWorkshop(checkInput(workshopSchema, await readJson(event), told('workshop-incomplete')))
)
