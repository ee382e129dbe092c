import { atUsage, type JobFile, type Pricing } from '../readings'
import type { DriveSheet } from '../sheet'

export type { Pricing } from '../readings'

/** Two layers of pricing as one: what the upper one says holds. */
export function overlaid(under: Pricing | null | undefined, over: Pricing | null | undefined): Pricing {
  const both = <K extends 'prices' | 'hours' | 'odds'>(key: K) =>
    under?.[key] || over?.[key] ? { [key]: { ...under?.[key], ...over?.[key] } } : {}
  return { ...under, ...over, ...both('prices'), ...both('hours'), ...both('odds') }
}

/** What a job's prices are in. */
export function currencyOf({ drive, pricing }: Pick<JobFile, 'drive' | 'pricing'>): string {
  return pricing?.currency ?? drive.money?.currency ?? ''
}

function moneyOf(drive: DriveSheet, pricing: Pricing): Pick<DriveSheet, 'money'> {
  const hourRate = pricing.hourRate ?? drive.money?.hourRate
  return hourRate === undefined ? {} : { money: { currency: currencyOf({ drive, pricing }), hourRate } }
}

/** A job whose sheet says what its pricing says, its limits at its usage. */
export function priceJob(asRead: JobFile): JobFile {
  const job = atUsage(asRead)
  const { pricing } = job
  if (!pricing) return job
  const { prices = {}, hours = {} } = pricing
  const { drive } = job
  const changed: DriveSheet = {
    ...drive,
    ...moneyOf(drive, pricing),
    ...(drive.operations
      ? { operations: drive.operations.map((one) => ({ ...one, hours: hours[one.id] ?? one.hours })) }
      : {}),
    ...(drive.parts
      ? {
          parts: drive.parts.map((one) => ({
            ...one,
            hours: hours[one.id] ?? one.hours,
            price: prices[one.id] ?? one.price
          }))
        }
      : {}),
    ...(drive.alwaysRenewed
      ? { alwaysRenewed: drive.alwaysRenewed.map((one) => ({ ...one, price: prices[one.id] ?? one.price })) }
      : {})
  }
  return { ...job, drive: changed }
}
