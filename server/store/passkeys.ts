import {
  generateAuthenticationOptions,
  generateRegistrationOptions,
  verifyAuthenticationResponse,
  verifyRegistrationResponse
} from '@simplewebauthn/server'
import { told } from '../../words/problems'
import type { Caller } from '../access/caller'
import { hashOf, makeToken } from '../access/secrets'
import type { Site } from '../access/site'
import { useDb } from '../db/connection'
import { ChallengeRow, PasskeyRow, PersonRow } from '../db/models'
import { takeChallenge, tidyAccess } from '../db/queries/access'
import { Problem } from '../utils/problem'
import { provenSelf } from './people'
import { openSession } from './sessions'

/** A passkey as its owner sees it. */
export interface ListedPasskey {
  id: string
  name: string
  madeAt: string
  seenAt: string | null
}

/** What a device signs to sign somebody in, in base64url. */
export interface SignedIn {
  id: string
  clientDataJSON: string
  authenticatorData: string
  signature: string
}

/** What a device makes when a passkey is added, in base64url. */
export interface MadePasskey {
  id: string
  clientDataJSON: string
  attestationObject: string
}

type Person = { id: number; name: string }

/** ms that a challenge is good for, once. */
const GOOD_MS = 300_000
/** Passkeys that somebody has at most: devices of their own. */
const MOST = 20

async function offerChallenge(personId: number | null): Promise<Uint8Array<ArrayBuffer>> {
  await tidyAccess()
  const challenge = makeToken()
  await ChallengeRow.create({ hash: hashOf(challenge), personId, endsAt: new Date(Date.now() + GOOD_MS) })
  return new Uint8Array(Buffer.from(challenge, 'base64url'))
}

/** Takes the challenge that a device signed; it was made for this person, or for signing in. */
const takenFor = (personId: number | null) => async (challenge: string) =>
  (await takeChallenge(hashOf(challenge))) === personId

/** What a device is asked, to sign somebody in whom it knows. */
export async function askForPasskey({ name }: Site) {
  await useDb()
  return generateAuthenticationOptions({
    rpID: name,
    challenge: await offerChallenge(null),
    userVerification: 'required',
    timeout: GOOD_MS
  })
}

/** Signs in by what a device signed. @returns the token that the browser keeps. @throws Problem bad-input */
export async function signInByPasskey(caller: Caller, site: Site, signed: SignedIn, browser: string): Promise<string> {
  await useDb()
  const row = await PasskeyRow.findOne({ where: { id: signed.id, removedAt: null as never } })
  const person = row && (await PersonRow.findOne({ where: { id: row.personId, retiredAt: null as never } }))
  if (!row || !person) throw notKnown()
  const { id, ...response } = signed
  const { verified, authenticationInfo } = await verifyAuthenticationResponse({
    response: { id, rawId: id, type: 'public-key', clientExtensionResults: {}, response },
    expectedChallenge: takenFor(null),
    expectedOrigin: site.origin,
    expectedRPID: site.name,
    credential: {
      id,
      publicKey: new Uint8Array(Buffer.from(row.publicKey, 'base64url')),
      counter: Number(row.counter)
    }
  }).catch(refused)
  if (!verified) throw notKnown()
  await row.update({ counter: String(authenticationInfo.newCounter), seenAt: new Date() })
  return openSession(caller, person.id, browser)
}

/** What a device is asked, to make a passkey for who shows by passphrase that it is them. */
export async function askToAdd(caller: Caller, person: Person, current: string, site: Site) {
  if (caller.device) throw new Problem('forbidden', told('passkey-own-device'))
  const { seal } = await provenSelf(person, current)
  const held = await passkeysOf(person.id)
  if (held.length >= MOST) throw new Problem('conflict', told('passkeys-enough', { most: MOST }))
  return generateRegistrationOptions({
    rpName: 'Umbrette',
    rpID: site.name,
    // Tells people apart on a device, and nobody who they are.
    userID: new Uint8Array(Buffer.from(hashOf(`passkey ${seal}`), 'hex')),
    userName: person.name,
    challenge: await offerChallenge(person.id),
    excludeCredentials: held.map(({ id }) => ({ id })),
    authenticatorSelection: { residentKey: 'required', userVerification: 'required' },
    timeout: GOOD_MS
  })
}

/** Keeps a passkey that a device made. @throws Problem bad-input */
export async function addPasskey(
  { id }: Person,
  site: Site,
  made: MadePasskey,
  name: string
): Promise<ListedPasskey[]> {
  const { id: credential, ...response } = made
  const { verified, registrationInfo } = await verifyRegistrationResponse({
    response: { id: credential, rawId: credential, type: 'public-key', clientExtensionResults: {}, response },
    expectedChallenge: takenFor(id),
    expectedOrigin: site.origin,
    expectedRPID: site.name
  }).catch(refused)
  if (!verified) throw notKnown()
  const { publicKey, counter, id: kept } = registrationInfo.credential
  if (await PasskeyRow.findByPk(kept)) throw notKnown()
  await PasskeyRow.create({
    id: kept,
    personId: id,
    name,
    publicKey: Buffer.from(publicKey).toString('base64url'),
    counter: String(counter)
  })
  return listPasskeys(id)
}

/** Somebody's passkeys, the first made first. */
export async function listPasskeys(personId: number): Promise<ListedPasskey[]> {
  await useDb()
  return (await passkeysOf(personId)).map(({ id, name, madeAt, seenAt }) => ({
    id,
    name,
    madeAt: madeAt.toISOString(),
    seenAt: seenAt?.toISOString() ?? null
  }))
}

/** Takes a passkey out: nobody signs in by it any more. @throws Problem not-found */
export async function removePasskey(personId: number, id: string): Promise<ListedPasskey[]> {
  await useDb()
  const [changed] = await PasskeyRow.update(
    { removedAt: new Date() },
    { where: { id, personId, removedAt: null as never } }
  )
  if (changed === 0) throw new Problem('not-found', told('no-such-passkey'))
  return listPasskeys(personId)
}

const passkeysOf = (personId: number) =>
  PasskeyRow.findAll({ where: { personId, removedAt: null as never }, order: [['madeAt', 'ASC']] })

const notKnown = () => new Problem('bad-input', told('passkey-not-known'))

/** What is wrong with a signature is nothing to tell who sent it. */
function refused(cause: unknown): never {
  throw new Problem('bad-input', told('passkey-not-known'), [], { cause })
}
