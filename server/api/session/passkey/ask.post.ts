import { siteOf } from '../../../access/site'
import { askForPasskey } from '../../../store/passkeys'
import { route } from '../../../utils/route'

export default route((event) => askForPasskey(siteOf(event)))
