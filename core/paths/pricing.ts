import type { JobFile, Pricing } from '../readings'
import type { DriveSheet } from '../sheet'

export type { Pricing } from '../readings'

/** Two layers of pricing as one: what the upper one says holds. */
export function overlaid(under: Pricing | null | undefined, over: Pricing | null | undefined): Pricing {
  const both = <K extends 'prices' | 'hours' | 'odds'>(key: K) =>
    under?.[key] || over?.[key] ? { [key]: { ...under?.[key], ...over?.[key] } } : {}
  return { ...under, ...over, ...both('prices'), ...both('hours'), ...both('odds') }
}

/** A job whose sheet says what its pricing says. */
export function priceJob(job: JobFile): JobFile {
  const { pricing } = job
  if (!pricing) return job
  const { prices = {}, hours = {}, hourRate } = pricing
  const { drive } = job
  const changed: DriveSheet = {
    ...drive,
    ...(hourRate === undefined ? {} : { money: { currency: drive.money?.currency ?? '', hourRate } }),
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
