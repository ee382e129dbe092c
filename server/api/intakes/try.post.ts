import { planAsked, readFile } from '../../intake/asked'
import { tryIntake } from '../../store/intakes'
import { route } from '../../utils/route'

export default route(async (event) => tryIntake(await readFile(event), planAsked(event)))
