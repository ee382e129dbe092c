/** A check that is due, as a calendar has it. */

export const CALENDAR_NAME = 'Timing drive checks'

export function checkSummary(vehicle: string, stopGap: boolean): string {
  return `${stopGap ? 'Stop-gap, look again' : 'Look again'}: ${vehicle}`
}

export function checkDescription(engine: string, usage: string | null, stopGap: boolean, note: string): string {
  return [
    `${engine}.`,
    usage === null ? '' : `Or at ${usage}, if that comes first.`,
    stopGap ? 'It was a stop-gap, no repair.' : '',
    note
  ]
    .filter(Boolean)
    .join(' ')
}
