import type { SoundSays } from '../../core/sound'
import { type Catalogue, sayer } from '../say'

/** What stands in the way of hearing an engine, and what was odd about a recording. */
export const SOUND: Catalogue<SoundSays> = {
  'slow-rate': (f) => `only ${f.rate} samples a second: record with at least ${f.least}`,
  'short-recording': (f) => `only ${f.seconds.toFixed(1)} s: record at least ${f.least} s, better from the start on`,
  'long-recording': (f) => `longer than ${f.most / 60} minutes: cut it`,
  silence: () => 'is silence: check the microphone',
  'no-engine': () => 'no firing order stands out: hold the microphone closer to the engine, and let it run evenly',
  clipped: () => 'the recording is clipped: hold the microphone further away, or turn it down'
}

export const saySound = sayer(SOUND)
