import type { Roll } from '../../core/math'
import type { Beats, RhythmOf } from '../../core/sound'

/** Recordings of engines of known truth, made sample by sample: firing, valve train, clatter at a rhythm, noise. */
export interface MadeSound {
  signal: Float32Array
  rate: number
  beats: Beats
  rpm: { low: number; mean: number; high: number }
  /** Seconds until the clatter goes; null for always. */
  quiet: number | null
  rhythm: RhythmOf
}

export interface SoundWish {
  cylinders?: number
  rhythm?: RhythmOf
  quiet?: number | null
  seconds?: number
  rate?: number
  /** dB of the engine over the noise. */
  signalToNoise?: number
  /** rpm at the start and at the end. */
  rpm?: readonly [number, number]
  clatter?: number
}

/** A burst that rings down in a band: two resonances with a life of a few ms. */
function ring(signal: Float32Array, at: number, rate: number, hz: number, life: number, size: number): void {
  const length = Math.min(signal.length - at, Math.ceil(6 * life * rate))
  for (let i = 0; i < length; i++) {
    const t = i / rate
    signal[at + i]! +=
      size * Math.exp(-t / life) * (Math.sin(2 * Math.PI * hz * t) + 0.6 * Math.sin(2 * Math.PI * 1.43 * hz * t))
  }
}

/** What is not wished for is drawn. */
function drawn(roll: Roll, wish: SoundWish) {
  const teeth = 18 + roll.below(8)
  const links = 2 * Math.round(teeth * roll.between(2.7, 4)) + roll.below(2)
  const start = roll.between(650, 1100)
  const rhythm = wish.rhythm ?? roll.pick(['crank', 'cam', 'chain', 'teeth'] as const)
  const round = links / teeth
  return {
    cylinders: wish.cylinders ?? roll.pick([3, 4, 4, 4, 6, 8]),
    teeth,
    round,
    rate: wish.rate ?? roll.pick([22_050, 44_100]),
    seconds: wish.seconds ?? roll.between(8, 16),
    rhythm,
    period: { crank: 1, cam: 2, chain: round, teeth: 1 / teeth }[rhythm],
    quiet: wish.quiet === undefined ? (roll.chance(0.4) ? null : roll.between(1.5, 6)) : wish.quiet,
    rpm: wish.rpm ?? ([start, roll.chance(0.4) ? start * roll.between(1.4, 2.4) : start] as const),
    hz: roll.between(2500, 4500),
    loud: (wish.clatter ?? roll.between(0.12, 0.3)) * (rhythm === 'teeth' ? 0.35 : 1),
    noise: wish.signalToNoise ?? roll.between(3, 20)
  }
}

export function makeSound(roll: Roll, wish: SoundWish = {}): MadeSound {
  const given = drawn(roll, wish)
  const { cylinders, teeth, round, rate, seconds, rhythm, period, quiet, hz, loud } = given
  const [from, to] = given.rpm
  const count = Math.floor(seconds * rate)
  const signal = new Float32Array(count)
  const phases = Array.from({ length: 6 }, () => roll.between(0, 6.28))
  const uneven = Array.from({ length: cylinders }, () => 1 + roll.normal(0.12))
  const [valvePhase, clatterPhase] = [roll.between(0, 1), roll.between(0, 1)]
  const knock = (at: number, size: number) =>
    ring(signal, Math.min(count - 1, at), rate, hz, rhythm === 'teeth' ? 0.0006 : 0.003, size)
  let turns = roll.between(0, 2)
  let [valve, beat] = [Math.floor(turns * cylinders), Math.floor(turns / period)]
  let [low, high, sum] = [Infinity, 0, 0]
  for (let i = 0; i < count; i++) {
    const share = Math.min(1, Math.max(0, (i / count - 0.3) / 0.5))
    const rpm = (from + (to - from) * share) * (1 + 0.006 * Math.sin((2 * Math.PI * i * 0.7) / rate))
    low = Math.min(low, rpm)
    high = Math.max(high, rpm)
    sum += rpm
    turns += rpm / 60 / rate
    const firing = (turns * cylinders) / 2
    const pulse = phases.reduce(
      (all, phase, h) => all + (0.25 / (h + 1)) * Math.sin(2 * Math.PI * (h + 1) * firing + phase),
      0
    )
    signal[i]! += pulse * uneven[Math.floor(firing) % cylinders]!
    // Inlet and exhaust of each cylinder close once a cycle.
    const valves = Math.floor((turns + valvePhase) * cylinders)
    if (valves !== valve) ring(signal, i, rate, 2800, 0.0015, 0.03 * (1 + roll.normal(0.2)))
    valve = valves
    const beats = Math.floor((turns + clatterPhase * period) / period)
    if (beats !== beat && (quiet === null || i / rate <= quiet)) {
      knock(i, loud * Math.max(0.3, 1 + roll.normal(0.2)))
      // A slack chain slaps more than once while it comes round.
      for (const later of rhythm === 'chain' ? [0.07, 0.16, 0.33] : [])
        knock(Math.round(i + (later * period * 60 * rate) / rpm), loud * Math.max(0.2, 0.8 + roll.normal(0.15)))
    }
    beat = beats
  }
  addNoise(roll, signal, given.noise)
  return { signal, rate, beats: { cylinders, round, teeth }, rpm: { low, mean: sum / count, high }, quiet, rhythm }
}

/** White noise, so many dB below the signal. */
function addNoise(roll: Roll, signal: Float32Array, below: number): void {
  const square = signal.reduce((sum, value) => sum + value * value, 0) / signal.length
  const noise = Math.sqrt(square) * 10 ** (-below / 20)
  for (let i = 0; i < signal.length; i++) signal[i] = Math.max(-1, Math.min(1, signal[i]! + roll.normal(noise)))
}
