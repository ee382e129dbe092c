import 'reflect-metadata'
import { webcrypto } from 'node:crypto'
import { isIP } from 'node:net'
import {
  AuthorityKeyIdentifierExtension,
  BasicConstraintsExtension,
  cryptoProvider,
  ExtendedKeyUsage,
  ExtendedKeyUsageExtension,
  KeyUsageFlags,
  KeyUsagesExtension,
  PemConverter,
  SubjectAlternativeNameExtension,
  SubjectKeyIdentifierExtension,
  X509Certificate,
  X509CertificateGenerator
} from '@peculiar/x509'

cryptoProvider.set(webcrypto as unknown as Crypto)

/** A key and its certificate, as PEM. */
export interface KeyPair {
  key: string
  certificate: string
}

const ALGORITHM = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' } as const
const DAY_MS = 86_400_000
/** Days that each is good for; a server's for no more than devices accept. */
const GOOD = { authority: 3650, server: 397 } as const
/** Days before its end at which a certificate is made anew. */
const RENEWED = 60

/** An authority of the workshop's own: devices that trust it trust what this machine shows them. */
export async function makeAuthority(workshop: string, now = new Date()): Promise<KeyPair> {
  const keys = await webcrypto.subtle.generateKey(ALGORITHM, true, ['sign', 'verify'])
  const certificate = await X509CertificateGenerator.createSelfSigned({
    serialNumber: serial(),
    name: [{ CN: [`Umbrette, ${workshop}`] }],
    notBefore: new Date(now.getTime() - DAY_MS),
    notAfter: new Date(now.getTime() + GOOD.authority * DAY_MS),
    signingAlgorithm: ALGORITHM,
    keys: keys as unknown as CryptoKeyPair,
    extensions: [
      new BasicConstraintsExtension(true, 0, true),
      new KeyUsagesExtension(KeyUsageFlags.keyCertSign | KeyUsageFlags.cRLSign, true),
      await SubjectKeyIdentifierExtension.create(keys.publicKey as unknown as CryptoKey)
    ]
  })
  return { key: await keyPem(keys.privateKey), certificate: certificate.toString('pem') }
}

/** A certificate for these names and addresses, signed by the authority. */
export async function makeCertificate(
  authority: KeyPair,
  names: readonly string[],
  now = new Date()
): Promise<KeyPair> {
  const issuer = new X509Certificate(authority.certificate)
  const keys = await webcrypto.subtle.generateKey(ALGORITHM, true, ['sign', 'verify'])
  const certificate = await X509CertificateGenerator.create({
    serialNumber: serial(),
    subject: [{ CN: [names[0] ?? 'umbrette'] }],
    issuer: issuer.subject,
    notBefore: new Date(now.getTime() - DAY_MS),
    notAfter: new Date(now.getTime() + GOOD.server * DAY_MS),
    signingAlgorithm: ALGORITHM,
    publicKey: keys.publicKey as unknown as CryptoKey,
    signingKey: (await readKey(authority.key)) as unknown as CryptoKey,
    extensions: [
      new BasicConstraintsExtension(false, undefined, true),
      new KeyUsagesExtension(KeyUsageFlags.digitalSignature, true),
      new ExtendedKeyUsageExtension([ExtendedKeyUsage.serverAuth]),
      new SubjectAlternativeNameExtension(
        names.map((value) => ({ type: isIP(value) ? ('ip' as const) : ('dns' as const), value }))
      ),
      await AuthorityKeyIdentifierExtension.create(issuer),
      await SubjectKeyIdentifierExtension.create(keys.publicKey as unknown as CryptoKey)
    ]
  })
  return { key: await keyPem(keys.privateKey), certificate: certificate.toString('pem') }
}

/** Is a certificate good for these names, by this authority, and for a while yet? */
export async function isGood(
  { certificate }: KeyPair,
  authority: KeyPair,
  names: readonly string[],
  now = new Date()
): Promise<boolean> {
  try {
    const mine = new X509Certificate(certificate)
    const of = mine.getExtension(SubjectAlternativeNameExtension)?.names.items.map(({ value }) => value) ?? []
    const lasts = mine.notAfter.getTime() - now.getTime() > RENEWED * DAY_MS && mine.notBefore <= now
    return (
      lasts &&
      names.every((name) => of.includes(name)) &&
      (await mine.verify(new X509Certificate(authority.certificate)))
    )
  } catch {
    return false
  }
}

/** When a certificate ends. @throws Error for what is none */
export function endOf(certificate: string): Date {
  return new X509Certificate(certificate).notAfter
}

function serial(): string {
  // A number of at most 20 bytes that is above 0.
  return `01${Buffer.from(webcrypto.getRandomValues(new Uint8Array(15))).toString('hex')}`
}

async function keyPem(key: webcrypto.CryptoKey): Promise<string> {
  return PemConverter.encode(await webcrypto.subtle.exportKey('pkcs8', key), 'PRIVATE KEY')
}

async function readKey(pem: string): Promise<webcrypto.CryptoKey> {
  return webcrypto.subtle.importKey('pkcs8', PemConverter.decodeFirst(pem), ALGORITHM, false, ['sign'])
}
