import { keeping, localeNow } from '../words/spoken'

const clockOf = keeping(
  (locale: string, timeZone: string, long: boolean) =>
    new Intl.DateTimeFormat(locale, {
      day: 'numeric',
      month: 'short',
      ...(long ? { year: 'numeric' } : { hour: '2-digit', minute: '2-digit' }),
      timeZone
    })
)

/** ms after which the day and year of a time matter, not its minute: half a year. */
const LONG = 180 * 86_400_000

/** A time (ISO) as it is written in a time zone. */
export function writtenAt(at: string, timeZone: string): string {
  const then = Date.parse(at)
  return clockOf(localeNow(), timeZone, Date.now() - then > LONG).format(then)
}

/** The time zone that this device is set to. */
export const zoneHere = keeping(() => Intl.DateTimeFormat().resolvedOptions().timeZone)
