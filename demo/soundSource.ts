import { randomness, type Roll } from '../core/math'
import type { DriveSheet } from '../core/sheet'
import { beatsOf } from '../core/sound'
import { writeWav } from '../core/trace'
import type { Truth } from '../core/views/practice'

/** Samples a second, and seconds, of the practice microphone. */
const [RATE, SECONDS] = [22_050, 9]

/** Clatter of a drive: crank turns from one knock to the next, and seconds after which it is gone; null for never. */
interface Clatter {
  period: number
  quiet: number | null
  loud: number
}

/** How a drive in this state sounds: a long chain until the tensioner has filled, a loose phaser at cam rhythm. */
function clatterOf(sheet: DriveSheet, truth: Truth, roll: Roll): Clatter | null {
  const { round } = beatsOf(sheet)
  const most = Math.max(0, ...Object.values(truth.elongation ?? {}))
  const play = Math.max(0, ...Object.values(truth.play ?? {}))
  if (play > 2) return { period: 2, quiet: null, loud: 0.25 }
  if (most > 0.003) return { period: round, quiet: roll.between(2.5, 5), loud: 0.3 }
  if (most > 0.0005) return { period: 2, quiet: roll.between(0.5, 0.9), loud: 0.25 }
  return null
}

/**
 * A stand-in for a microphone at a cold start: firing order, valve train, and the clatter that the drive makes; speed
 * rising at the end.
 * @returns a WAV file of 16 bit
 */
export function simulatedSound(sheet: DriveSheet, truth: Truth, seed: number): Uint8Array {
  const roll = randomness(90_000 + seed)
  const { cylinders } = beatsOf(sheet)
  const clatter = clatterOf(sheet, truth, roll)
  const signal = new Float32Array(RATE * SECONDS)
  const idle = roll.between(720, 900)
  const phases = Array.from({ length: 5 }, () => roll.between(0, 6.28))
  let [turns, valve, knock] = [0, -1, -1]
  for (let i = 0; i < signal.length; i++) {
    const time = i / RATE
    const rpm = (idle + Math.max(0, time - 6) * 220) * (1 + 0.005 * Math.sin(4.2 * time))
    turns += rpm / 60 / RATE
    phases.forEach((phase, h) => {
      signal[i]! += (0.2 / (h + 1)) * Math.sin(Math.PI * cylinders * (h + 1) * turns + phase)
    })
    signal[i]! += roll.normal(0.015)
    if (Math.floor(turns * cylinders) !== valve) {
      valve = Math.floor(turns * cylinders)
      ring(signal, i, 2600, 0.0015, 0.03)
    }
    if (!clatter || (clatter.quiet !== null && time > clatter.quiet)) continue
    const beat = Math.floor((3 * turns) / clatter.period)
    // Two knocks close together once a round keep its time.
    if (beat !== knock && beat % 3 !== 2) ring(signal, i, 3400, 0.003, clatter.loud * (1 + roll.normal(0.15)))
    knock = beat
  }
  return writeWav(signal, RATE)
}

function ring(signal: Float32Array, at: number, hz: number, life: number, size: number): void {
  const end = Math.min(signal.length, at + Math.ceil(6 * life * RATE))
  for (let i = at; i < end; i++) {
    const t = (i - at) / RATE
    signal[i]! += size * Math.exp(-t / life) * Math.sin(2 * Math.PI * hz * t)
  }
}
