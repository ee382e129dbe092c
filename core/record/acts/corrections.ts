import { needed } from '../../check'
import { correctionsSchema } from '../../drive'
import { type ActKind, actShape } from './define'
import type { ActView } from './views'

const schema = () => actShape('corrections', { corrections: correctionsSchema.required(needed) })

/** What is known of the engine that shifts readings, as a whole: it takes the place of what was known before. */
export const corrections: ActKind<'corrections', ReturnType<typeof schema>> = {
  type: 'corrections', schema,
  locks: false, who: 'mechanic'
}

export const correctionsView: ActView<'corrections'> = {
  subject: 'What is known of the engine',
  fold(record, act) {
    record.corrections = act.corrections
  }
}
