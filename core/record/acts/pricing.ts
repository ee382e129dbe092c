import { needed } from '../../check'
import { pricingSchema } from '../../readings'
import { type ActKind, actShape } from './define'
import type { ActView } from './views'

const schema = () => actShape('pricing', { pricing: pricingSchema.required(needed) })

/** What this job is priced with, as a whole: it takes the place of what was said before. */
export const pricing: ActKind<'pricing', ReturnType<typeof schema>> = {
  type: 'pricing', schema,
  locks: false, who: 'mechanic'
}

export const pricingView: ActView<'pricing'> = {
  subject: 'The pricing',
  fold(record, act) {
    record.pricing = act.pricing
  }
}
