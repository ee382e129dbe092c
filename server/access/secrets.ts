import { createHash, randomBytes, scrypt, timingSafeEqual } from 'node:crypto'
import { promisify } from 'node:util'
import pLimit from 'p-limit'

const derive = promisify<string, Buffer, number, { N: number; r: number; p: number; maxmem: number }, Buffer>(scrypt)

/** Cost of one look: some 60 ms and 32 MB; two at a time, so that guessing does not take the machine from others. */
const COST = { N: 32_768, r: 8, p: 1, maxmem: 64 * 1024 * 1024 }
const KEY_BYTES = 32
const few = pLimit(2)

/** What is kept of a passphrase or PIN: its digest, with its salt. */
export async function digestSecret(secret: string): Promise<string> {
  const salt = randomBytes(16)
  const key = await few(() => derive(secret.normalize('NFC'), salt, KEY_BYTES, COST))
  return `scrypt:${salt.toString('base64url')}:${key.toString('base64url')}`
}

/**
 * Is it the secret that a digest was made of? Takes as long where there is none, so that nobody learns which names are
 * known.
 */
export async function isSecret(secret: string, digest: string | null): Promise<boolean> {
  const [, salt = '', key = ''] = (digest ?? `scrypt:${'A'.repeat(22)}:${'A'.repeat(43)}`).split(':')
  const kept = Buffer.from(key, 'base64url')
  const asked = await few(() => derive(secret.normalize('NFC'), Buffer.from(salt, 'base64url'), KEY_BYTES, COST))
  return digest !== null && kept.length === asked.length && timingSafeEqual(kept, asked)
}

/** A token that nobody comes upon by trying. */
export function makeToken(): string {
  return randomBytes(32).toString('base64url')
}

/** What is kept of a token. */
export function hashOf(token: string): string {
  return createHash('sha256').update(token).digest('hex')
}

/** Letters and digits that are not taken for each other. */
const CODE_SIGNS = '23456789ABCDEFGHJKLMNPQRSTUVWXYZ'
const CODE_LENGTH = 10

/** A code that can be typed: 50 random bits, good for minutes and once. */
export function makeCode(): string {
  return [...randomBytes(CODE_LENGTH)].map((byte) => CODE_SIGNS[byte % CODE_SIGNS.length]).join('')
}

/** A code as it is kept, however it was typed. */
export function codeHash(typed: string): string {
  return hashOf(typed.toUpperCase().replaceAll(/[^0-9A-Z]/g, ''))
}
