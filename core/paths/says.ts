import { messagesOf } from '../check'

/** What is wrong with an assessment, by code. */
export interface AssessmentSays {
  'an-assessment': {}
}

export const say = messagesOf<AssessmentSays>()

/** Why a partial way is not open. */
export interface RefusedSays {
  /** Something of the drive must not be turned or run. */
  held: { part: string }
  /** What would be kept is condemned. */
  condemned: { part: string }
  /** A chain that ran on metal leaves its metal behind. */
  'ran-on-metal': { chain: string }
  /** Rails that would be kept, and that nobody has looked at. */
  'not-looked-at': { parts: readonly string[] }
}

export const refuse = messagesOf<RefusedSays>()
