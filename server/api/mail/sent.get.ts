import { sentLetters } from '../../mail/standIn'
import { route } from '../../utils/route'

/** What the stand-in for a mail server took in. */
export default route(async () => sentLetters())
