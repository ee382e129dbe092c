import { messagesOf, type Message } from '../../check'
import type { DriveSheet } from '../../sheet'
import { type Edition, type Level, LEVELS } from './types'

/**
 * A case in a few characters: engine letter, level, a letter for every edition but the first, seed, and one to catch a
 * slip of the pen: `A3-7KQ2MD`, `A3B-7KQ2MD`.
 */
export interface CaseKey {
  sheet: string
  level: Level
  seed: number
  /** The first where it is left out. */
  edition?: Edition
}

/** What stands for an edition in a code. */
const EDITION_LETTERS: Readonly<Record<Edition, string>> = { 1: '', 2: 'B' }

/** Without I, L, O and U, which are read for other characters (D. Crockford's base 32). */
const DIGITS = '0123456789ABCDEFGHJKMNPQRSTVWXYZ'
const SEED_DIGITS = 5
/** Characters of what was typed that are told back. */
const SHOWN = 24
/** Seeds run from 0 to below this. */
export const SEEDS = DIGITS.length ** SEED_DIGITS

/** Why a code is none. */
export interface CodeSays {
  'no-code': { code: string }
  'slip-in-code': { code: string }
}

const say = messagesOf<CodeSays>()

/** Thrown for a code that is none. */
export class CodeError extends RangeError {
  constructor(readonly said: Message) {
    super(said.code)
  }
}

/** The short code of a case drawn on an engine. @throws RangeError for a seed out of range */
export function caseCode({ sheet, level, seed, edition = 1 }: CaseKey): string {
  if (!(Number.isInteger(seed) && seed >= 0 && seed < SEEDS))
    throw new RangeError(`seed: expected a whole number from 0 to below ${SEEDS}, got ${seed}`)
  const head = `${letterOf(sheet)}${level}${EDITION_LETTERS[edition]}`
  const tail = Array.from(
    { length: SEED_DIGITS },
    (_, i) => DIGITS[Math.floor(seed / DIGITS.length ** (SEED_DIGITS - 1 - i)) % DIGITS.length]
  ).join('')
  return `${head}-${tail}${checkOf(head + tail)}`
}

/**
 * What a code says; small letters, spaces and the letters that look like digits are taken as meant.
 * @param sheets engines that cases are drawn on, each with a first letter of its own
 * @throws CodeError
 */
export function readCode(text: string, sheets: readonly Pick<DriveSheet, 'id'>[]): Required<CaseKey> {
  const plain = text.toUpperCase().replaceAll(/[^0-9A-Z]/g, '')
  const edition = plain.length > SEED_DIGITS + 3 && plain[2] === EDITION_LETTERS[2] ? 2 : 1
  const head = plain.slice(0, 2 + EDITION_LETTERS[edition].length)
  const [letter, digit] = [head[0] ?? '', head[1] ?? '']
  const rest = plain.slice(head.length).replaceAll('O', '0').replaceAll(/[IL]/g, '1')
  const level = LEVELS.find((one) => String(one) === digit)
  const sheet = sheets.find(({ id }) => letterOf(id) === letter)
  const digits = [...rest].map((char) => DIGITS.indexOf(char))
  if (!sheet || !level || rest.length !== SEED_DIGITS + 1 || digits.includes(-1))
    throw new CodeError(say('no-code', { code: text.slice(0, SHOWN) }))
  const body = rest.slice(0, SEED_DIGITS)
  if (checkOf(`${head}${body}`) !== rest.at(-1))
    throw new CodeError(say('slip-in-code', { code: text.slice(0, SHOWN) }))
  const seed = digits.slice(0, SEED_DIGITS).reduce((sum, d) => sum * DIGITS.length + d, 0)
  return { sheet: sheet.id, level, seed, edition }
}

function letterOf(sheet: string): string {
  return sheet[0]!.toUpperCase()
}

/**
 * The remainder of the digits as a polynomial over GF(32) with x⁵ + x² + 1, by Horner: it sees every single wrong
 * character and every two neighbours swapped.
 */
function checkOf(text: string): string {
  const timesX = (value: number) => ((value << 1) & 31) ^ (value & 16 ? 5 : 0)
  return DIGITS[timesX([...text].reduce((sum, char) => timesX(sum) ^ DIGITS.indexOf(char), 0))]!
}
