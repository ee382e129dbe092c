import { needed, type Shape } from '../../check'
import { correctionsSchema } from '../../drive'
import { type ActKind, actShape, type ActView } from './define'

const schema = () => actShape('corrections', { corrections: correctionsSchema.required(needed) })
type Own = Shape<ReturnType<typeof schema>>

/** What is known of the engine that shifts readings, as a whole: it takes the place of what was known before. */
export const corrections: ActKind<'corrections', ReturnType<typeof schema>> = {
  type: 'corrections',
  schema,
  locks: false,
  who: 'mechanic'
}

export const correctionsView: ActView<Own, { corrections: Own['corrections'] | null }> = {
  fold(record, act) {
    record.corrections = act.corrections
  }
}
