import type { SoundSays } from '../../core/sound'
import { type Catalogue, sayer } from '../say'
import { t } from '../spoken'
import { fixDigits } from './figures'

/** What stands in the way of hearing an engine, and what was odd about a recording. */
export const SOUND: Catalogue<SoundSays> = {
  'slow-rate': (f) => t`only ${f.rate} samples a second: record with at least ${f.least}`,
  'short-recording': (f) =>
    t`only ${fixDigits(f.seconds, 1)} s: record at least ${f.least} s, better from the start on`,
  'long-recording': (f) => t`longer than ${f.most / 60} minutes: cut it`,
  silence: () => t`is silence: check the microphone`,
  'no-engine': () => t`no firing order stands out: hold the microphone closer to the engine, and let it run evenly`,
  clipped: () => t`the recording is clipped: hold the microphone further away, or turn it down`
}

export const saySound = sayer(SOUND)
