import { PASSKEY_FAULTS } from '../words/en'
import { browserSupportsWebAuthn, startAuthentication, startRegistration, WebAuthnError } from '@simplewebauthn/browser'
import { $fetch } from 'ofetch'
import type { ListedPasskey } from '../server/store/passkeys'
import { refusedHere } from './problem'

/** Passkeys on this device: made and asked for by the browser, told to the server. */

type Made = Parameters<typeof startRegistration>[0]['optionsJSON']
type Asked = Parameters<typeof startAuthentication>[0]['optionsJSON']

const post = <T>(path: string, body: object) => $fetch<T>(path, { method: 'POST', body, retry: 0 })

/** Can this browser use one here? A passkey belongs to a name, not to a number. */
export function knowsPasskeys(): boolean {
  const { hostname } = window.location
  return browserSupportsWebAuthn() && !/^[\d.]+$|^\[/.test(hostname)
}

/** Signs in with a passkey of this device. */
export async function signInByPasskey(): Promise<void> {
  const optionsJSON = await post<Asked>('/api/session/passkey/ask', {})
  const { id, response } = await startAuthentication({ optionsJSON }).catch(sayWhy)
  const { clientDataJSON, authenticatorData, signature } = response
  await post('/api/session/passkey', { id, clientDataJSON, authenticatorData, signature })
}

/** Makes a passkey on this device. @returns all of this person's */
export async function addPasskey(name: string, current: string): Promise<ListedPasskey[]> {
  const optionsJSON = await post<Made>('/api/me/passkeys/ask', { current })
  const { id, response } = await startRegistration({ optionsJSON }).catch(sayWhy)
  const { clientDataJSON, attestationObject } = response
  return post('/api/me/passkeys', { name, made: { id, clientDataJSON, attestationObject } })
}

/** What browsers say of it is of no use to who reads it. */
function sayWhy(error: unknown): never {
  const held = error instanceof WebAuthnError && error.code === 'ERROR_AUTHENTICATOR_PREVIOUSLY_REGISTERED'
  throw refusedHere(held ? PASSKEY_FAULTS.held : PASSKEY_FAULTS.cancelled, error)
}
