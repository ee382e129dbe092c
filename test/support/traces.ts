import type { Roll } from '../../core/math'
import type { CamPattern, Samples, Triggers } from '../../core/trace'

/** Traces of engines of known truth, made sample by sample: speed that ripples, noise, spikes. */
export interface MadeTrace {
  samples: Samples
  triggers: Triggers
  /** crank degrees by cam. */
  lag: Record<string, number>
  rpm: number
}

export interface TraceWish {
  sensor?: 'hall' | 'inductive'
  /** Teeth of the crank's wheel, and which of them are missing. */
  wheel?: readonly [teeth: number, gaps: readonly number[]]
  rpm?: number
  seconds?: number
  rate?: number
  noise?: number
  spikes?: number
  lag?: Record<string, number>
  /** Of the lag, what repeats with the chain: degrees, and turns. */
  waver?: readonly [amplitude: number, turns: number]
}

const WHEELS: readonly (readonly [number, readonly number[]])[] = [
  [60, [58, 59]],
  [36, [35]],
  [24, [22, 23]],
  [60, [28, 29, 58, 59]],
  [36, [16, 17, 35]]
]

function patternOf(roll: Roll): CamPattern {
  const list: [number, number][] = []
  let at = roll.between(10, 60)
  while (at < 600) {
    const to = at + roll.between(40, 130)
    if (to > 705) break
    list.push([Number(at.toFixed(1)), Number(to.toFixed(1))])
    at = to + roll.between(45, 150)
  }
  return list
}

/** Which tooth of the wheel an angle lies in, and how far into it, 0 to 1. */
function toothAt(angle: number, first: number, teeth: number): { tooth: number; into: number } {
  const place = (((((angle - first) % 360) + 360) % 360) * teeth) / 360
  return { tooth: Math.floor(place), into: place % 1 }
}

function crankLevel(sensor: 'hall' | 'inductive', there: boolean, into: number): number {
  if (!there) return 0
  if (sensor === 'inductive') return -2 * Math.sin(2 * Math.PI * into)
  return into < 0.5 ? 5 : 0
}

function isHigh(pattern: CamPattern, angle: number): boolean {
  const at = ((angle % 720) + 720) % 720
  return pattern.some(([from, to]) => at >= from && at < to)
}

export function makeTrace(roll: Roll, wish: TraceWish = {}): MadeTrace {
  const sensor = wish.sensor ?? roll.pick(['hall', 'inductive'] as const)
  const [teeth, gaps] = wish.wheel ?? roll.pick(WHEELS)
  const missing = new Set(gaps)
  const rpm = wish.rpm ?? roll.between(650, 1100)
  const rate = wish.rate ?? roll.pick([20_000, 50_000, 100_000, 200_000])
  const noise = wish.noise ?? roll.between(0.02, 0.04)
  const first = Number(roll.between(0, 359).toFixed(1))
  const lag = wish.lag ?? { 'cam-in': roll.between(-20, 25), 'cam-ex': roll.between(-3, 12) }
  const cams = Object.fromEntries(Object.keys(lag).map((id) => [id, patternOf(roll)]))
  const count = Math.round((wish.seconds ?? 1.2) * rate)
  const crank = new Float32Array(count)
  const signals = new Map(Object.keys(cams).map((id) => [id, new Float32Array(count)]))
  let angle = roll.between(0, 720)
  const phase = roll.between(0, 2 * Math.PI)
  const [amplitude, turns] = wish.waver ?? [0, 1]
  for (let i = 0; i < count; i++) {
    // Two firings a turn, and a slower hunting.
    const ripple = 1 + 0.02 * Math.sin((2 * angle * Math.PI) / 180 + phase) + 0.008 * Math.sin((i / rate) * 9)
    angle += (rpm * 6 * ripple) / rate
    const { tooth, into } = toothAt(angle, first, teeth)
    crank[i] = crankLevel(sensor, !missing.has(tooth), into) + (sensor === 'hall' ? 5 : 4) * roll.normal(noise)
    const wavering = amplitude * Math.sin((2 * Math.PI * angle) / (360 * turns))
    for (const [id, pattern] of Object.entries(cams))
      signals.get(id)![i] = (isHigh(pattern, angle - lag[id]! - wavering) ? 5 : 0) + 5 * roll.normal(noise)
  }
  for (let k = 0; k < (wish.spikes ?? 3); k++) crank[roll.below(count)]! += roll.pick([-9, 9])
  return {
    samples: { rate, channels: new Map([['crank', crank], ...signals]) },
    triggers: { crank: { teeth, gaps, first, sensor }, cams },
    lag,
    rpm
  }
}
