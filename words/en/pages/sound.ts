import type { Shown } from '../../say'
import { t, texts } from '../../spoken'

/** A recording of the running engine. */
export const SOUND_PAGE = texts({
  title: (vehicle: Shown) => t`Sound · ${vehicle} · Umbrette`,
  heading: 'Recording of the engine',
  back: 'Bench',
  choose: 'Read a recording',
  practice: 'Practice microphone',
  record: 'Record',
  stop: 'Stop',
  recording: (seconds: Shown) => t`Recording … ${seconds} s`,
  noMicrophone: 'No microphone may be used here: open Umbrette over HTTPS, allow it, or read a file.',
  cannotOpen: 'This browser cannot read the recording: save it as WAV and try again.',
  none: 'No recording yet. Hold a phone to the cold engine, record from the start on for ten seconds or more, and read the file.',
  listening: 'Listening …',
  picture: 'Loudness by time and frequency, with the speed over it',
  play: 'Play it',
  rpm: (mean: Shown, low: Shown, high: Shown) => t`${mean} rpm (${low} to ${high})`,
  speed: (rpm: Shown) => t`${rpm} rpm`,
  seconds: (value: Shown) => t`${value} s`,
  quiet: (seconds: Shown) => t`Clatter for ${seconds} s, then quiet`,
  always: 'The clatter stays all the time',
  noClatter: 'No clatter stands out',
  withSpeed: 'It grows with speed.',
  notWithSpeed: 'It does not grow with speed.',
  rhythms: 'It keeps time with',
  rhythm: { crank: 'the crank', cam: 'the cams', chain: 'the chain coming round', teeth: 'the teeth' },
  strength: (percent: Shown) => t`${percent} %`,
  rhythmSays: {
    chain: 'once each time the chain comes round: one place of it, or a long chain slapping',
    cam: 'once a cam turn: a phaser, a lobe or a lifter rather than the chain itself',
    crank: 'once a crank turn: the crank sprocket, or what the crank drives',
    teeth: 'with the teeth: tooth against plate, a worn sprocket'
  },
  evidence: 'Say it of the complaint',
  sayIt: {
    'noise-under-a-second': 'Under a second at the start',
    'noise-seconds': 'Some seconds at the start',
    'noise-always': 'All the time',
    'noise-none': 'No noise'
  },
  said: 'It stands with the complaint, as heard on a recording.',
  practiceAfter: 'Practice microphone, after a repair',
  noCommonSpeed: 'The two have no speed in common: record both at the same idle.',
  compared: (decibels: Shown, isQuieter: boolean, low: Shown, high: Shown) =>
    t`At the same speed, ${low} to ${high} rpm, the other one clatters ${decibels} dB ${isQuieter ? t`less` : t`more`}.`,
  note: (file: Shown) => t`from a recording (${file})`,
  whoFirst: 'Choose who is at the bench first.',
  other: 'Another recording beside it',
  beside: 'Before and after',
  aid: 'This is an aid; a trained ear and the readings decide. Mind belts, fans and hot parts while the engine runs.'
})
