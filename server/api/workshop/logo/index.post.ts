import { keepLogo } from '../../../store/workshop'
import { readBytes, route } from '../../../utils/route'

/** Greatest picture taken in as a logo. */
const LIMIT = 8 * 1024 * 1024

/** The workshop's logo; nothing sent takes it away. */
export default route(async (event) => ({ logo: await keepLogo(await readBytes(event, LIMIT)) }))
