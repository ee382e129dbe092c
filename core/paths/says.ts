import { messagesOf } from '../check'

/** What is wrong with an assessment, by code. */
export interface AssessmentSays {
  'an-assessment': {}
}

export const say = messagesOf<AssessmentSays>()
