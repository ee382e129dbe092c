import { getRequestHeader } from 'h3'
import { told } from '../../../../words/problems'
import { callerOf, giveCookie } from '../../../access/caller'
import { signedShape } from '../../../access/rules'
import { siteOf } from '../../../access/site'
import { signInByPasskey } from '../../../store/passkeys'
import { checkInput, readJson, route } from '../../../utils/route'

export default route(async (event) => {
  const signed = checkInput(signedShape, await readJson(event, 16_384), told('passkey-not-known'))
  const caller = await callerOf(event)
  const token = await signInByPasskey(caller, siteOf(event), signed, getRequestHeader(event, 'user-agent') ?? '')
  giveCookie(event, 'session', token, caller.device !== null)
  return { signedIn: true }
})
