import { shownMail } from '../../store/mail'
import { route } from '../../utils/route'

export default route(() => shownMail())
