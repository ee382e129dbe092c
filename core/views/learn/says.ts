import { messagesOf } from '../../check'

/** What is wrong with a file of what was learnt, by code. */
export interface LearntSays {
  'a-learnt-file': {}
}

export const say = messagesOf<LearntSays>()
