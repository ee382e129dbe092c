import type { NumericKind } from '../../../core/readings'

/** Of what it is asked how it is read: a figure of a part, or the findings on it. */
export interface HowAsked {
  part: string
  kind?: NumericKind
  findings?: readonly string[]
}
