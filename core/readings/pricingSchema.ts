import { byIds, id, listOf, needed, num, shape, type Shape, text } from '../check'
import { say } from './says'

const otherWork = shape({
  id: id().required(needed),
  name: text(120).required(needed),
  hours: num(0, 200).required(needed),
  price: num(0, 1e6),
  needs: listOf(id().required(needed), 40)
})

/**
 * What a shop or a job says otherwise than the sheet and the defaults; what it does not say is theirs. Amounts in the
 * sheet's currency.
 */
export const pricingSchema = shape({
  /** The workshop's money, in place of the sheet's: the figures stand as they are. */
  currency: text(12),
  /** Labour, an hour. */
  hourRate: num(0, 10_000),
  /** Usage over which coming back counts, in the job's unit. */
  horizon: num(0, 1e7),
  /** Odds that a new part forces the cover off within the horizon all the same. */
  newPart: num(0, 1),
  /** What a failure breaks besides the part. */
  damage: num(0, 1e7),
  /** Odds that a kept part forces the cover off within the horizon, by component, where someone knows better. */
  odds: byIds(num(0, 1).required(needed), say('odds-by-id')),
  /** Prices of parts and always-renewed items, by id. */
  prices: byIds(num(0, 1e6).required(needed), say('prices-by-id')),
  /** Hours of operations and parts, by id. */
  hours: byIds(num(0, 200).required(needed), say('hours-by-id')),
  /** Other work that shares the access: its own hours, its parts, and the operations that reach it. */
  others: listOf(otherWork.required(needed), 20)
})

export type OtherWork = NonNullable<Shape<typeof otherWork>>

export type Pricing = NonNullable<Shape<typeof pricingSchema>>
