import { calendarName, checkDescription, checkSummary } from '../words/en'
import ical from 'ical-generator'
import type { ActOf, KeptJob } from '../core/record'
import { askedIn } from './languages'

/** A check as a calendar entry of a whole day, told a week ahead; a stop-gap's every day of the last week. */
export function checkCalendar(
  jobId: string,
  { vehicle, sheet }: Pick<KeptJob, 'vehicle' | 'sheet'>,
  { date, usage, stopGap, note }: ActOf<'check'>,
  unit: string
): string {
  const language = askedIn().toUpperCase()
  const calendar = ical({ name: calendarName(), prodId: { company: 'Umbrette', product: 'checks', language } })
  const start = new Date(`${date}T00:00:00Z`)
  const event = calendar.createEvent({
    id: `${jobId}@umbrette`,
    start,
    allDay: true,
    summary: checkSummary(vehicle, stopGap),
    description: checkDescription(sheet.name, usage === undefined ? null : `${usage} ${unit}`, stopGap, note ?? '')
  })
  for (const days of stopGap ? [7, 5, 3, 1] : [7])
    event.createAlarm({ type: 'display' as never, trigger: days * 86_400 })
  return calendar.toString()
}
