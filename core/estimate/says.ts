import { messagesOf } from '../check'

/** Why a reading was left out of the estimate, beside what makes it untrue by itself. */
export interface EstimateSays {
  /** Counts round a loop that do not come to the chain's links. */
  'counts-do-not-close': { sum: number; links: number }
  /** A lag that no wear and no jump gives; one about a whole crank turn off was read a turn away. */
  'lag-impossible': { lag: number; teeth: number; wholeTurn: boolean }
  'not-together': {}
  /** What an older version said in its own words. */
  'as-signed': { text: string }
}

/** What follows from the direction of a cam's lag. */
export interface ArgumentSays {
  /** Wear cannot make a cam early; `hidden`: crank degrees of the jump that wear hides, null where it is little. */
  moved: { hidden: number | null }
}

export const say = messagesOf<EstimateSays>()
export const argue = messagesOf<ArgumentSays>()
