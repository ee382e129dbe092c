import { byIds, needed, num, shape } from '../check/rules'

/** The structure of pricing from outside. */
export const pricingSchema = shape({
  hourRate: num(0, 10_000), horizon: num(0, 1e7), newPart: num(0, 1), damage: num(0, 1e7),
  odds: byIds(num(0, 1).required(needed), 'expected odds from 0 to 1'),
  prices: byIds(num(0, 1e6).required(needed), 'expected prices from 0 up'), hours: byIds(num(0, 200).required(needed), 'expected hours from 0 to 200')
})
