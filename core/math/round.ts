/**
 * Significant digits of every figure given out: far beyond any reading, and short of where engines' trigonometry
 * differs.
 */
const DIGITS = 9

/** A copy of plain data with every number rounded, so that the same job reads the same wherever it was assessed. */
export function roundFigures<T>(value: T): T {
  if (typeof value === 'number')
    return (Number.isFinite(value) && !Number.isInteger(value) ? Number(value.toPrecision(DIGITS)) : value) as T
  if (Array.isArray(value)) return value.map((entry) => roundFigures<unknown>(entry)) as T
  if (value === null || typeof value !== 'object') return value
  return Object.fromEntries(Object.entries(value).map(([key, entry]) => [key, roundFigures<unknown>(entry)])) as T
}
