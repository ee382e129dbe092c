import { heavily } from '../../heavy/heavily'
import { readFile } from '../../intake/asked'
import { route } from '../../utils/route'

export default route(async (event) => heavily('long', 'lookAtTable', await readFile(event)))
