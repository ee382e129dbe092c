import { messagesOf } from '../check'

/** What stands in the way of hearing an engine, and what was odd about a recording, by code. */
export interface SoundSays {
  'slow-rate': { rate: number; least: number }
  'short-recording': { seconds: number; least: number }
  'long-recording': { seconds: number; most: number }
  silence: {}
  'no-engine': {}
  clipped: {}
}

export const say = messagesOf<SoundSays>()
