import { mailSchema } from '../../../core/record'
import { told } from '../../../words/problems'
import { keepMail, shownMail } from '../../store/mail'
import { checkInput, readJson, route } from '../../utils/route'

export default route(async (event) => {
  await keepMail(checkInput(mailSchema, await readJson(event), told('mail-not-asked')))
  return shownMail()
})
