import type { DriveSheet } from './sheet'

/** Wording of figures that reasons and the interface share. */

/** Odds in words: `86 %`, never a bare 0 or 100. */
export function odds(p: number): string {
  if (p < 0.01) return 'under 1 %'
  return p > 0.99 ? 'over 99 %' : `${Math.round(100 * p)} %`
}

/** `16.5`, without a minus before nothing. */
export function figure(value: number, digits: number): string {
  const text = value.toFixed(digits)
  return Number(text) === 0 ? (0).toFixed(digits) : text
}

/** `late` or `early`, the sign of a lag in words. */
export function lateOrEarly(lag: number): string {
  return lag < 0 ? 'early' : 'late'
}

/** Targets that are no part of the sheet. */
const STANDING: Readonly<Record<string, string>> = { oil: 'Oil side', fasteners: 'Fasteners', engine: 'Engine' }

/** The name of any part of a drive, or of oil, fasteners and engine. */
export function partName({ sprockets, rails, tensioners, chains, phasers }: DriveSheet, id: string): string {
  return [...sprockets, ...rails, ...tensioners, ...chains, ...phasers].find((part) => part.id === id)?.name ?? STANDING[id] ?? id
}
