/**
 * Can a text be kept by a database and read by every other program? A NUL cannot, nor half of a pair of surrogates.
 * @param value UTF-16, as JavaScript has it
 */
export function isWellFormed(value: string): boolean {
  return !UNFIT.test(value)
}

/** With the u flag a surrogate matches only where it stands alone. */
const UNFIT = /[\0\ud800-\udfff]/u
