import { needed, num, oneOf, shape, type Shape, text, words } from '../check'
import { taxSchema } from '../money'
import { LANGUAGES } from './languages'
import { say } from './says'

/** IANA's name of a time zone that this machine knows. */
const timeZone = () =>
  text(64)
    .required(needed)
    .test('time-zone', say('time-zone'), (zone) => zone === undefined || isTimeZone(zone))

function isTimeZone(zone: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: zone })
    return true
  } catch {
    return false
  }
}

/** A workshop as it stands on its pages and papers, and what its devices show unless somebody chose otherwise. */
export const workshopSchema = shape({
  name: words(80, say('workshop-name')),
  /** Lines with breaks between; may be empty. */
  address: text(400).defined(needed),
  taxNumber: text(60).defined(needed),
  /** What stands at the foot of each report: terms, bank, hours. */
  foot: text(800).defined(needed),
  units: shape({
    length: oneOf('mm', 'in').required(needed),
    distance: oneOf('km', 'mi').required(needed),
    torque: oneOf('N·m', 'lb·ft').required(needed)
  }).required(needed),
  timeZone: timeZone(),
  /** ISO 4217's code of the money that new engines are priced in. */
  currency: text(3)
    .required(needed)
    .matches(/^[A-Z]{3}$/, { message: say('currency') }),
  /** On what it sells. */
  tax: taxSchema,
  /** What pages and papers are written in. */
  language: oneOf(...LANGUAGES).required(needed)
}).required(say('a-workshop'))

export type Workshop = Shape<typeof workshopSchema>

const horizon = () => num(0, 1e7)

/** What the shop weighs paths with, unless a job says otherwise; the horizon by unit of usage. */
export const shopPricingSchema = shape({
  hourRate: num(0, 10_000),
  newPart: num(0, 1),
  damage: num(0, 1e7),
  horizons: shape({ km: horizon(), mi: horizon(), h: horizon() })
}).required(needed)

/** The day on which something was, as the workshop's calendar has it: 2026-11-26. */
export function dayAt(moment: string, { timeZone: zone }: Pick<Workshop, 'timeZone'>): string {
  const parts = new Intl.DateTimeFormat('en', { timeZone: zone, year: 'numeric', month: '2-digit', day: '2-digit' })
    .formatToParts(new Date(moment))
    .map(({ type, value }) => [type, value])
  const { year, month, day } = Object.fromEntries(parts) as Record<string, string>
  return `${year}-${month}-${day}`
}
