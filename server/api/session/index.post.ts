import { getRequestHeader } from 'h3'
import { needed, sayOfCheck, shape, text, whole } from '../../../core/check'
import { told } from '../../../words/problems'
import { callerOf, giveCookie } from '../../access/caller'
import { signIn } from '../../store/sessions'
import { checkInput, readJson, route } from '../../utils/route'

const byPin = shape({ person: whole(1, 2e9).required(needed), pin: text(12).required(needed) })
const byPassphrase = shape({ name: text(80).required(needed), passphrase: text(200).required(needed) })

export default route(async (event) => {
  const body = await readJson(event, 4096)
  const said = told('sign-in-incomplete')
  const credentials =
    typeof body === 'object' && body !== null && 'pin' in body
      ? checkInput(byPin.required(sayOfCheck('object')), body, said)
      : checkInput(byPassphrase.required(sayOfCheck('object')), body, said)
  const caller = await callerOf(event)
  giveCookie(
    event,
    'session',
    await signIn(caller, credentials, getRequestHeader(event, 'user-agent') ?? ''),
    caller.device !== null
  )
  return { signedIn: true }
})
