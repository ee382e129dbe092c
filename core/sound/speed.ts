import FFT from 'fft.js'
import { lowPart } from './filter'

/** The engine's speed along a recording. */
export interface SpeedTrack {
  /** Crank turns since the start, so many times a second. */
  turns: Float64Array
  /** rpm at the same places. */
  rpm: Float64Array
  rate: number
  /** How clearly the firing order stands out: 0 for none. */
  clear: number
}

/** Hz up to which the firing order is looked for, and samples of a look. */
const HIGHEST = 900
const [WINDOW, PADDED] = [1024, 4096]
/** Looks a second. */
const LOOKS = 10
/** rpm that an engine may turn at, and the step from one to the next that is tried. */
const [SLOWEST, FASTEST, STEP] = [480, 7000, 0.0035]
/** Harmonics of the firing order that are looked at, and their weights. */
const WEIGHTS = [1, 1, 0.8, 0.6, 0.5, 0.4]
/** How much a change of speed by a step of the grid from one look to the next counts. */
const STIFF = 0.012
/** rpm at which recordings are mostly made, and how little it weighs. */
const [USUAL, LEAN] = [1100, 0.08]

/**
 * Speed from the firing order of a four-stroke engine: of all speeds the one whose harmonics stand out and the places
 * between them do not, followed smoothly over time (A. Viterbi, 1967), then held to the phase of a strong harmonic.
 * @param signal samples, −1 to 1
 * @returns null where the recording is too short
 */
export function followSpeed(signal: Float32Array, rate: number, cylinders: number): SpeedTrack | null {
  const low = lowPart(signal, rate, HIGHEST)
  const hop = Math.round(low.rate / LOOKS)
  const looks = Math.floor((low.signal.length - WINDOW) / hop) + 1
  if (looks < 5) return null
  const firing = cylinders / 2
  const grid = Array.from(
    { length: Math.ceil(Math.log(FASTEST / SLOWEST) / STEP) },
    (_, i) => SLOWEST * Math.exp(STEP * i)
  )
  const ladder = ladderOf(grid, low.rate, firing)
  const scores = Array.from({ length: looks }, (_, i) => scoresAt(spectrumAt(low.signal, i * hop), ladder))
  const path = smoothest(scores)
  const clear = path.reduce((sum, k, i) => sum + scores[i]![k]!, 0) / looks
  const coarse = path.map((k, i) => refined(grid, scores[i]!, k))
  const spread = (at: number) => {
    // A look is told for its middle.
    const place = Math.min(Math.max((at - WINDOW / 2) / hop, 0), looks - 1)
    const from = Math.min(Math.floor(place), looks - 2)
    return coarse[from]! + (place - from) * (coarse[from + 1]! - coarse[from]!)
  }
  return inPhase(low.signal, low.rate, firing, spread, clear)
}

const fft = new FFT(PADDED)
const WINDOWED = Float64Array.from({ length: WINDOW }, (_, i) => 0.5 - 0.5 * Math.cos((2 * Math.PI * i) / WINDOW))

/** How far each frequency stands out over those about it, on a scale of loudness. */
function spectrumAt(signal: Float32Array, from: number): Float64Array {
  const input = new Array<number>(PADDED).fill(0)
  for (let i = 0; i < WINDOW; i++) input[i] = signal[from + i]! * WINDOWED[i]!
  const out = fft.createComplexArray()
  fft.realTransform(out, input)
  const size = new Float64Array(PADDED / 2)
  for (let i = 0; i < size.length; i++) size[i] = Math.sqrt(out[2 * i]! ** 2 + out[2 * i + 1]! ** 2)
  return overItsSurroundings(size)
}

/** Bins about a frequency over which its surroundings are taken. */
const AROUND = 160

function overItsSurroundings(size: Float64Array): Float64Array {
  const sums = new Float64Array(size.length + 1)
  for (let i = 0; i < size.length; i++) sums[i + 1] = sums[i]! + size[i]!
  const over = new Float64Array(size.length)
  for (let i = 0; i < size.length; i++) {
    const from = Math.max(0, i - AROUND)
    const to = Math.min(size.length, i + AROUND)
    over[i] = Math.log1p(size[i]! / ((sums[to]! - sums[from]!) / (to - from) + 1e-9))
  }
  return over
}

/** Where each speed's harmonics, and the places between them, lie in a spectrum. */
interface Ladder {
  /** Bin below each place, on a harmonic and between two by turns, and how far on to the next; −1 beyond its end. */
  bins: Int16Array
  parts: Float64Array
  /** How unusual each speed is. */
  lean: Float64Array
}

function ladderOf(grid: readonly number[], rate: number, firing: number): Ladder {
  const rungs = 2 * WEIGHTS.length
  const bins = new Int16Array(rungs * grid.length).fill(-1)
  const parts = new Float64Array(rungs * grid.length)
  for (const [i, rpm] of grid.entries())
    for (let rung = 0; rung < rungs; rung++) {
      const hz = (rpm / 60) * firing * ((rung >> 1) + (rung % 2 ? 0.5 : 1))
      const place = (hz * PADDED) / rate
      if (hz > HIGHEST || Math.floor(place) + 1 >= PADDED / 2) continue
      bins[rungs * i + rung] = Math.floor(place)
      parts[rungs * i + rung] = place % 1
    }
  return { bins, parts, lean: Float64Array.from(grid, (rpm) => LEAN * Math.abs(Math.log2(rpm / USUAL))) }
}

function scoresAt(spectrum: Float64Array, { bins, parts, lean }: Ladder): Float64Array {
  const scores = new Float64Array(lean.length).fill(-1)
  const at = (place: number) => {
    const k = bins[place]!
    return spectrum[k]! + parts[place]! * (spectrum[k + 1]! - spectrum[k]!)
  }
  for (let i = 0; i < scores.length; i++) {
    let [on, off, weights] = [0, 0, 0]
    for (let h = 0, place = 2 * WEIGHTS.length * i; h < WEIGHTS.length && bins[place]! >= 0; h++, place += 2) {
      const weight = WEIGHTS[h]!
      on += weight * at(place)
      off += weight * at(place + 1)
      weights += weight
    }
    if (weights > 0) scores[i] = (on - 0.5 * off) / weights - lean[i]!
  }
  return scores
}

/** The way through all looks that scores best and changes least. */
function smoothest(scores: readonly Float64Array[]): number[] {
  const n = scores[0]!.length
  let best = Float64Array.from(scores[0]!)
  const from: Int16Array[] = []
  for (const score of scores.slice(1)) {
    const next = new Float64Array(n)
    const came = new Int16Array(n)
    for (let k = 0; k < n; k++) {
      const at = bestBefore(best, k)
      next[k] = best[at]! - STIFF * Math.abs(k - at) + score[k]!
      came[k] = at
    }
    from.push(came)
    best = next
  }
  let k = best.reduce((top, value, i) => (value > best[top]! ? i : top), 0)
  const path = [k]
  for (const came of from.toReversed()) path.unshift((k = came[k]!))
  return path
}

/** Steps of the grid that a speed may change from one look to the next. */
const REACH = 9

/** The place of the look before from which this one is best reached. */
function bestBefore(best: Float64Array, k: number): number {
  let top = -Infinity
  let at = k
  const last = Math.min(best.length - 1, k + REACH)
  for (let j = Math.max(0, k - REACH); j <= last; j++) {
    const value = best[j]! - STIFF * Math.abs(k - j)
    if (value > top) {
      top = value
      at = j
    }
  }
  return at
}

/** Between the speeds of the grid, by the parabola through the best three. */
function refined(grid: readonly number[], score: Float64Array, k: number): number {
  const [a, b, c] = [score[k - 1] ?? -1, score[k]!, score[k + 1] ?? -1]
  const bend = a - 2 * b + c
  const by = bend < 0 ? Math.max(-0.5, Math.min(0.5, (0.5 * (a - c)) / bend)) : 0
  return grid[k]! * Math.exp(STEP * by)
}

/** Seconds over which a harmonic's phase is taken. */
const PHASE_OVER = 0.25

/** The turns of the crank, held to the phase of the firing order's strongest harmonic. */
function inPhase(
  signal: Float32Array,
  rate: number,
  firing: number,
  rpmAt: (sample: number) => number,
  clear: number
): SpeedTrack {
  const turns = new Float64Array(signal.length)
  for (let i = 1; i < turns.length; i++) turns[i] = turns[i - 1]! + rpmAt(i) / 60 / rate
  const harmonic = strongest(signal, turns, firing)
  const length = Math.max(1, Math.round(PHASE_OVER * rate))
  const pieces = Math.max(2, Math.floor(signal.length / length))
  const phases: number[] = []
  for (let p = 0; p < pieces; p++) {
    let [re, im] = [0, 0]
    for (let i = p * length; i < Math.min((p + 1) * length, signal.length); i++) {
      const angle = 2 * Math.PI * harmonic * firing * turns[i]!
      const taper = 1 - Math.abs((2 * (i - p * length)) / length - 1)
      re += taper * signal[i]! * Math.cos(angle)
      im -= taper * signal[i]! * Math.sin(angle)
    }
    const phase = Math.atan2(im, re) / (2 * Math.PI)
    const before = phases.at(-1) ?? phase
    phases.push(phase - Math.round(phase - before))
  }
  const off = (i: number) => {
    const place = Math.min(Math.max(i / length - 0.5, 0), pieces - 1)
    const k = Math.min(Math.floor(place), pieces - 2)
    return (phases[k]! + (place - k) * (phases[k + 1]! - phases[k]!)) / (harmonic * firing)
  }
  const held = turns.map((turn, i) => turn + off(i))
  const span = Math.round(0.4 * rate)
  const rpm = held.map((_, i) => {
    const [a, b] = [Math.max(0, i - span), Math.min(held.length - 1, i + span)]
    return ((held[b]! - held[a]!) / (b - a)) * rate * 60
  })
  return { turns: held, rpm, rate, clear }
}

/** The harmonic of the firing order that holds together best over the recording. */
function strongest(signal: Float32Array, turns: Float64Array, firing: number): number {
  const powers = [1, 2, 3, 4].map((harmonic) => {
    let power = 0
    const length = 512
    for (let from = 0; from + length <= signal.length; from += length) {
      let [re, im] = [0, 0]
      for (let i = from; i < from + length; i++) {
        const angle = 2 * Math.PI * harmonic * firing * turns[i]!
        re += signal[i]! * Math.cos(angle)
        im += signal[i]! * Math.sin(angle)
      }
      power += Math.hypot(re, im)
    }
    return power / Math.sqrt(harmonic)
  })
  return powers.reduce((top, power, i) => (power > powers[top]! ? i : top), 0) + 1
}
