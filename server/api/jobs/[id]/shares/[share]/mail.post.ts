import { email, needed, sayOfCheck, shape, text, words } from '../../../../../../core/check'
import { told } from '../../../../../../words/problems'
import { signedBy } from '../../../../../access/author'
import { shareAddress } from '../../../../../access/site'
import { mailShare } from '../../../../../store/shares'
import { checkInput, readJson, readParam, route } from '../../../../../utils/route'

const TOKEN = /^[\w-]+$/

const schema = shape({
  by: words(80),
  to: email().required(needed),
  token: text(200)
    .required(needed)
    .matches(TOKEN, { message: told('link-unknown') })
}).required(sayOfCheck('object'))

/** Sends a link to its customer. */
export default route(async (event) => {
  const { by, to, token } = checkInput(schema, await readJson(event), told('mail-not-asked'))
  return mailShare(readParam(event, 'id'), readParam(event, 'share'), {
    to,
    token,
    by: await signedBy(event, by),
    link: shareAddress(event, token)
  })
})
