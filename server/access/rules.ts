import { needed, sayOfCheck, shape, text } from '../../core/check'
import { told } from '../../words/problems'

/** Signs that a passphrase has at least, and at most. */
const PASSPHRASE = [10, 200] as const
const PIN = /^\d{4,8}$/

export const passphrase = () =>
  text(PASSPHRASE[1]).test('long', told('passphrase-length', { least: PASSPHRASE[0] }), (value) =>
    value === undefined ? true : value.trim().length >= PASSPHRASE[0]
  )

/** Four to eight digits, not all the same and not counted up or down. */
export const pin = () =>
  text(8)
    .test('digits', told('pin-digits'), (value) => value === undefined || PIN.test(value))
    .test('plain', told('pin-plain'), (value) => value === undefined || !isPlain(value))

function isPlain(pin: string): boolean {
  const steps = new Set([...pin].slice(1).map((digit, i) => Number(digit) - Number(pin[i])))
  return steps.size === 1 && [0, 1, -1].includes([...steps][0]!)
}

/** What devices send of a passkey: bytes in base64url, a few hundred of each. */
const bytes = (max: number) =>
  text(max)
    .required(needed)
    .matches(/^[\w-]+$/, { message: sayOfCheck('id') })

export const signedShape = shape({
  id: bytes(1400),
  clientDataJSON: bytes(4000),
  authenticatorData: bytes(4000),
  signature: bytes(4000)
}).required(sayOfCheck('object'))

export const madeShape = shape({
  id: bytes(1400),
  clientDataJSON: bytes(4000),
  attestationObject: bytes(12_000)
}).required(sayOfCheck('object'))
