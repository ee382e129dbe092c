import { EQUAL_STAKES, type Stakes } from '../estimate'
import type { JobFile } from '../readings'
import { compileSheet } from '../sheet'
import { ridersOf } from '../calls'
import { assumptionsOf } from './cheapest'
import { priceJob } from './pricing'
import { comingBack, costingOf } from './scorePaths'

/** Hours that setting a drive to its marks takes which had not jumped. */
const SETTING_HOURS = 1.5

/**
 * What deciding wrongly about each part costs in the job's prices: a sound one renewed its price and hours; a worn one
 * kept the access again, what it brings with it and the damage it may do. A cam passed that had jumped costs the valves
 * of an interference engine. A sheet without prices weighs everything alike.
 */
export function stakesOf(unpriced: JobFile): Stakes {
  if (!unpriced.drive.parts?.length) return EQUAL_STAKES
  const { drive } = priceJob(unpriced)
  const { chains } = compileSheet(drive)
  const assumptions = assumptionsOf(unpriced)
  const { hourRate } = assumptions
  const costing = costingOf(drive, assumptions, (component) => {
    const chain = chains.get(component)
    return chain ? ridersOf(drive, chain) : []
  })
  const again = comingBack(costing)
  const places = new Map(costing.parts.map(({ fits }, i) => [fits, i]))
  const usual = { renewed: hourRate, kept: 4 * hourRate }
  return {
    currency: drive.money?.currency ?? '',
    minute: hourRate / 60,
    of(part, about) {
      if (about === 'jump') return { renewed: SETTING_HOURS * hourRate, kept: assumptions.damage }
      const i = places.get(part)
      if (i === undefined) return usual
      const { price, hours } = costing.parts[i]!
      return { renewed: price + hours * hourRate, kept: again[i]! }
    }
  }
}
