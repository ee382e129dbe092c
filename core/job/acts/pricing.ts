import { needed } from '../../check/rules'
import { pricingSchema } from '../../paths/pricingSchema'
import { actShape, type ActKind } from './define'

const schema = actShape('pricing', { pricing: pricingSchema.required(needed) })

/** What this job is priced with, as a whole: it takes the place of what was said before. */
export const pricing: ActKind<'pricing', typeof schema> = {
  type: 'pricing', schema,
  locks: false, who: 'mechanic', subject: 'The pricing',
  fold(record, act) {
    record.pricing = act.pricing
  }
}
