import { email, needed, sayOfCheck, shape } from '../../../core/check'
import { writeTryLetter } from '../../../words/en'
import { told } from '../../../words/problems'
import { sendLetter } from '../../mail/send'
import { workshopFacts } from '../../store/workshop'
import { checkInput, readJson, route } from '../../utils/route'

const schema = shape({ to: email().required(needed) }).required(sayOfCheck('object'))

/** Tries whether e-mail goes out. */
export default route(async (event) => {
  const { to } = checkInput(schema, await readJson(event), told('mail-not-asked'))
  const { name } = await workshopFacts()
  await sendLetter(name, { to, ...writeTryLetter(name) })
  return { to }
})
