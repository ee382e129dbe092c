import type { Message } from '../check'
import { type Loudness, loudnessIn } from './filter'
import { findQuiet, levelsBy, meanOf, type Quiet } from './quiet'
import { type Beats, endOfRhythm, findRhythms, type Rhythm } from './rhythm'
import { say } from './says'
import { followSpeed } from './speed'

/** What a recording of a running engine says. */
export interface Heard {
  rpm: { low: number; mean: number; high: number }
  /** Seconds after which the clatter is gone; null where it never goes, or is none. */
  quietAfter: number | null
  /** 0 to 1: how much of the loudness above the engine's own is clatter. */
  clatter: number
  /** Does the clatter grow with speed? −1 to 1; null where the speed hardly changes. */
  withSpeed: number | null
  /** Strongest first. */
  rhythms: Rhythm[]
  faults: Message[]
  /** rpm over time: so many a second. */
  speed: { rpm: Float64Array; rate: number }
  /** dB of each band in which clatter may lie above the engine's own firing, so many times a second. */
  bands: { decibels: Float64Array[]; rate: number; loudest: number }
}

/** Hz of the bands in which clatter may lie, and times a second that its loudness is taken. */
const BANDS: readonly (readonly [number, number])[] = [
  [1200, 2200],
  [2200, 3600],
  [3600, 5600],
  [5600, 9000]
]
const TIMES = 4000
/** Seconds that a recording must hold, and the longest that is taken. */
const [SHORTEST, LONGEST] = [2, 300]
/** A firing order that stands out by less is none. */
const CLEAR = 0.62
/** Share of samples at full scale from which a recording is clipped; loudness below which it is silence. */
const [CLIPPED, SILENT] = [0.001, 1e-5]

/**
 * A recording of a running engine: speed by its firing order, when the clatter goes, and what it keeps time with.
 * @param signal one channel, −1 to 1
 * @returns what stands in the way instead
 */
export function listen(signal: Float32Array, rate: number, beats: Beats): Heard | Message {
  if (!(rate >= LEAST_RATE)) return say('slow-rate', { rate, least: LEAST_RATE })
  const seconds = signal.length / rate
  if (seconds < SHORTEST) return say('short-recording', { seconds, least: SHORTEST })
  if (seconds > LONGEST) return say('long-recording', { seconds, most: LONGEST })
  const { square, full } = sizeOf(signal)
  if (square < SILENT ** 2) return say('silence')
  const track = followSpeed(signal, rate, beats.cylinders)
  if (!track || track.clear < CLEAR) return say('no-engine')
  const faults = full > CLIPPED * signal.length ? [say('clipped')] : []
  const rpmAt = (time: number) => track.rpm[Math.min(track.rpm.length - 1, Math.max(0, Math.round(time * track.rate)))]!
  const firing = loudnessIn(signal, rate, FIRING, TIMES)
  const turns = Float64Array.from(firing.loud, (_, i) => turnsAt(track, i / firing.rate))
  const bands = BANDS.filter(([from]) => from < 0.4 * rate).map((band) => {
    const heard = loudnessIn(signal, rate, band, TIMES)
    const step = findQuiet(heard.loud, heard.rate, rpmAt)
    const { rhythms, within } = rhythmsIn({ ...heard, quiet: step }, turns, beats)
    const quiet = step.after === null ? quietOfRhythm(heard, turns, beats, rhythms, within) : step
    return { ...heard, quiet, bursts: burstsOf(heard), rhythms }
  })
  const best = bands.reduce((a, b) => (weight(b) > weight(a) ? b : a))
  const { loud, rate: times, quiet, rhythms } = best
  const sorted = track.rpm.toSorted()
  return {
    rpm: {
      low: sorted[Math.floor(0.02 * sorted.length)]!,
      mean: mean(track.rpm),
      high: sorted[Math.floor(0.98 * sorted.length)]!
    },
    quietAfter: quiet.after,
    clatter: quiet.after === null ? best.bursts : Math.max(best.bursts, 1 - 10 ** (-quiet.drop / 10)),
    withSpeed: growth(loud, times, rpmAt),
    rhythms,
    faults,
    speed: { rpm: track.rpm, rate: track.rate },
    bands: {
      decibels: bands.map((band) => above(band, firing)),
      rate: LOOKS,
      loudest: bands.indexOf(best)
    }
  }
}

/** Hz of what fires. */
const FIRING = [30, 500] as const

/** dB of a band above another, by looks: how loud the microphone was set drops out. */
function above(band: Loudness, other: Loudness): Float64Array {
  const [over, under] = [band, other].map(({ loud, rate }) => levelsBy(loud, rate, LOOKS, meanOf).levels) as [
    Float64Array,
    Float64Array
  ]
  return over.subarray(0, under.length).map((level, i) => level - under[i]!)
}

/** Hz: fewer samples a second hold no clatter. */
const LEAST_RATE = 6000

function sizeOf(signal: Float32Array): { square: number; full: number } {
  let [square, full] = [0, 0]
  for (let i = 0; i < signal.length; i++) {
    const value = signal[i]!
    square += value * value
    if (value > 0.999 || value < -0.999) full++
  }
  return { square: square / signal.length, full }
}

/** How much of a band is clatter that comes and goes, or keeps time. */
function weight({ quiet, bursts, rhythms }: { quiet: Quiet; bursts: number; rhythms: readonly Rhythm[] }): number {
  return Math.min(quiet.after === null ? 0 : quiet.stands, 60) / 60 + bursts + 2 * (rhythms[0]?.strength ?? 0)
}

/** Seconds from the start within which clatter is sought that is not known to go. */
const STARTS = [1.5, 3, 6]

/** Clatter that goes is heard before it does; other in all of the recording, or where it begins. */
function rhythmsIn(
  { loud, rate, quiet }: Loudness & { quiet: Quiet },
  turns: Float64Array,
  beats: Beats
): { rhythms: Rhythm[]; within: number } {
  const within = (seconds: number) =>
    findRhythms(loud.subarray(0, Math.max(1, Math.floor(seconds * rate))), turns, beats)
  if (quiet.after !== null) return { rhythms: within(quiet.after), within: quiet.after }
  const whole = loud.length / rate
  const stands = (seconds: number, rhythms: readonly Rhythm[]) => (rhythms[0]?.strength ?? 0) * Math.sqrt(seconds)
  return [whole, ...STARTS.filter((seconds) => seconds < 0.8 * whole)]
    .map((seconds) => ({ within: seconds, rhythms: within(seconds) }))
    .reduce((best, one) => (stands(one.within, one.rhythms) > stands(best.within, best.rhythms) ? one : best))
}

/** Clatter too soft to be told by its loudness goes when its rhythm does. */
function quietOfRhythm(
  { loud, rate }: Loudness,
  turns: Float64Array,
  beats: Beats,
  [strongest]: readonly Rhythm[],
  within: number
): Quiet {
  const none = { after: null, drop: 0, stands: 0 }
  if (!strongest || strongest.strength < FOLLOWABLE) return none
  const until = Math.min(loud.length, Math.floor(within * rate))
  const at = endOfRhythm(loud, turns, strongest.of, beats, until)
  return at === null || at < KEPT * until ? none : { ...none, after: at / rate }
}

/** A rhythm weaker than this is not followed to its end. */
const FOLLOWABLE = 0.08
/** Of the piece in which it was found, over which a rhythm must be kept. */
const KEPT = 0.6

function turnsAt({ turns, rate }: { turns: Float64Array; rate: number }, time: number): number {
  const place = Math.min(Math.max(time * rate, 0), turns.length - 1.001)
  const k = Math.floor(place)
  return turns[k]! + (place - k) * (turns[k + 1]! - turns[k]!)
}

const mean = (values: Float64Array) => values.reduce((sum, value) => sum + value, 0) / values.length

/** Seconds over which a burst is heard. */
const BURST = 0.004
/** Of the loudest moments over the usual ones, as amplitudes: no bursts up to the first, all from the second on. */
const [NO_BURSTS, ALL_BURSTS] = [1.9, 5]

/** How much a loudness comes in bursts. */
function burstsOf({ loud, rate }: Loudness): number {
  const levels = levelsBy(loud, rate, 1 / BURST, meanOf).levels.sort()
  const at = (share: number) => levels[Math.floor(share * levels.length)] ?? 0
  const bursts = 10 ** ((at(0.995) - at(0.5)) / 20)
  return Math.min(1, Math.max(0, (bursts - NO_BURSTS) / (ALL_BURSTS - NO_BURSTS)))
}

/** Looks a second at how loudness goes with speed. */
const LOOKS = 20

/** Doublings of speed that a recording must span to say how loudness goes with it. */
const SPANNED = 0.35

/** How loudness goes with speed: the correlation of both, as logarithms. */
function growth(loud: Float32Array, rate: number, rpmAt: (time: number) => number): number | null {
  const { levels: level, seconds } = levelsBy(loud, rate, LOOKS, meanOf)
  const speeds = level.map((_, i) => Math.log2(rpmAt(i * seconds)))
  const sorted = speeds.toSorted()
  if (sorted[Math.floor(0.95 * sorted.length)]! - sorted[Math.floor(0.05 * sorted.length)]! < SPANNED) return null
  const [x, y] = [mean(speeds), mean(level)]
  let [xy, xx, yy] = [0, 0, 0]
  for (let i = 0; i < level.length; i++) {
    xy += (speeds[i]! - x) * (level[i]! - y)
    xx += (speeds[i]! - x) ** 2
    yy += (level[i]! - y) ** 2
  }
  return xx > 0 && yy > 0 ? xy / Math.sqrt(xx * yy) : null
}
