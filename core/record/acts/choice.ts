import { needed, num, text, type Shape } from '../../check'
import { type ActKind, actShape, type ActView } from './define'
import { renewedParts, renewFaults } from './onPart'

const schema = () =>
  actShape('choice', { share: text(64).required(needed), renew: renewedParts(), price: num(0, 1e9).required(needed) })
type Own = Shape<ReturnType<typeof schema>>

/** What the customer chose on the page that was shared (`share` is its id). `by` is the name they typed. */
export const choice: ActKind<'choice', ReturnType<typeof schema>> = {
  type: 'choice',
  schema,
  locks: true,
  who: 'customer',
  faults: renewFaults
}

export const choiceView: ActView<Own, { choice: Own | null }> = {
  fold(record, act) {
    record.choice = act
  }
}
