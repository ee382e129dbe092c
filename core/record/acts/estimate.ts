import { flag, id, listOf, needed, num, oneOf, shape, type Shape, text, words } from '../../check'
import { type ActKind, actShape, type ActView } from './define'

/** A line that is typed: `rate` of the workshop's taxes; absent: that of its kind. */
const line = () =>
  shape({
    kind: oneOf('labour', 'part', 'item').required(needed),
    text: words(200),
    quantity: num(0, 100_000).required(needed),
    price: num(-1e6, 1e6).required(needed),
    rate: id(),
    number: text(60),
    supplier: text(80)
  }).required(needed)

const schema = () => actShape('estimate', { lines: listOf(line(), 100).required(needed), alone: flag() })
type Own = Shape<ReturnType<typeof schema>>

/** Lines of the estimate beside those of the path, or, `alone`, in their place: for an engine without operations. */
export const estimate: ActKind<'estimate', ReturnType<typeof schema>> = {
  type: 'estimate',
  schema,
  locks: false,
  who: 'mechanic'
}

export const estimateView: ActView<Own, { estimate: Own | null }> = {
  fold(record, act) {
    record.estimate = act
  }
}
