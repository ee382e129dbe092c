import { t } from '../spoken'

/** A check that is due, as a calendar has it. */

export const calendarName = () => t`Timing drive checks`

export function checkSummary(vehicle: string, stopGap: boolean): string {
  return t`${stopGap ? t`Stop-gap, look again` : t`Look again`}: ${vehicle}`
}

export function checkDescription(engine: string, usage: string | null, stopGap: boolean, note: string): string {
  return [
    t`${engine}.`,
    usage === null ? '' : t`Or at ${usage}, if that comes first.`,
    stopGap ? t`It was a stop-gap, no repair.` : '',
    note
  ]
    .filter(Boolean)
    .join(' ')
}
