import { needed, type Shape } from '../../check'
import { pricingSchema } from '../../readings'
import { type ActKind, actShape, type ActView } from './define'

const schema = () => actShape('pricing', { pricing: pricingSchema.required(needed) })
type Own = Shape<ReturnType<typeof schema>>

/** What this job is priced with, as a whole: it takes the place of what was said before. */
export const pricing: ActKind<'pricing', ReturnType<typeof schema>> = {
  type: 'pricing',
  schema,
  locks: false,
  who: 'foreman'
}

export const pricingView: ActView<Own, { pricing: Own['pricing'] | null }> = {
  fold(record, act) {
    record.pricing = act.pricing
  }
}
