/**
 * The day that a moment falls on where the machine stands, as 2026-11-26: what is due today is due today in the
 * workshop, not in Greenwich.
 */
export function localDay(moment: Date): string {
  const two = (part: number) => String(part).padStart(2, '0')
  return `${moment.getFullYear()}-${two(moment.getMonth() + 1)}-${two(moment.getDate())}`
}

/** The day some days on from a moment, likewise. */
export function daysOn(moment: Date, days: number): string {
  return localDay(new Date(moment.getFullYear(), moment.getMonth(), moment.getDate() + days))
}
