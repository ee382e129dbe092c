/** A second-order section: the cookbook formulas of R. Bristow-Johnson, with the quality of a Butterworth filter. */
interface Section {
  b0: number
  b1: number
  b2: number
  a1: number
  a2: number
}

function section(kind: 'low' | 'high', hz: number, rate: number): Section {
  const w = (2 * Math.PI * Math.min(hz, 0.45 * rate)) / rate
  const [cos, alpha] = [Math.cos(w), Math.sin(w) / Math.SQRT2]
  const a0 = 1 + alpha
  const side = kind === 'low' ? (1 - cos) / 2 : (1 + cos) / 2
  return {
    b0: side / a0,
    b1: (kind === 'low' ? 2 * side : -2 * side) / a0,
    b2: side / a0,
    a1: (-2 * cos) / a0,
    a2: (1 - alpha) / a0
  }
}

/** Through two sections alike, one after the other. */
function twice(signal: Float32Array, { b0, b1, b2, a1, a2 }: Section): Float32Array {
  const out = new Float32Array(signal.length)
  let [x1, x2, u1, u2, y1, y2] = [0, 0, 0, 0, 0, 0]
  for (let i = 0; i < signal.length; i++) {
    const x = signal[i]!
    const u = b0 * x + b1 * x1 + b2 * x2 - a1 * u1 - a2 * u2
    const y = b0 * u + b1 * u1 + b2 * u2 - a1 * y1 - a2 * y2
    x2 = x1
    x1 = x
    u2 = u1
    u1 = u
    y2 = y1
    y1 = y
    out[i] = y
  }
  return out
}

/** Below a frequency, and no finer than it needs: every so many samples. */
export function lowPart(signal: Float32Array, rate: number, hz: number): { signal: Float32Array; rate: number } {
  const smooth = twice(signal, section('low', hz, rate))
  const every = Math.max(1, Math.floor(rate / (2.4 * hz)))
  const out = new Float32Array(Math.floor(smooth.length / every))
  for (let i = 0; i < out.length; i++) out[i] = smooth[i * every]!
  return { signal: out, rate: rate / every }
}

/** Seconds in which a filter settles. */
const SETTLES = 0.05

/** Lets everything through. */
const OPEN: Section = { b0: 1, b1: 0, b2: 0, a1: 0, a2: 0 }

/** Loudness (mean square) between two frequencies, so many times a second. */
export function loudnessIn(
  signal: Float32Array,
  rate: number,
  [from, to]: readonly [number, number],
  times: number
): Loudness {
  const every = Math.max(1, Math.round(rate / times))
  const loud = squaresOf(signal, section('high', from, rate), to < 0.45 * rate ? section('low', to, rate) : OPEN, every)
  // A filter rings where a recording begins.
  const settled = Math.min(loud.length, Math.round((SETTLES * rate) / every))
  loud.fill(loud[settled] ?? 0, 0, settled)
  return { loud, rate: rate / every }
}

/**
 * Mean square of so many samples at a time of what comes through both sections, each twice. All four in one go: what
 * one waits for, the others need not.
 */
function squaresOf(signal: Float32Array, high: Section, low: Section, every: number): Float32Array {
  const { b0, b1, b2, a1, a2 } = high
  const { b0: c0, b1: c1, b2: c2, a1: d1, a2: d2 } = low
  let [x1, x2, u1, u2, y1, y2, v1, v2, z1, z2] = [0, 0, 0, 0, 0, 0, 0, 0, 0, 0]
  const loud = new Float32Array(Math.floor(signal.length / every))
  for (let i = 0; i < loud.length; i++) {
    let sum = 0
    for (let k = i * every; k < (i + 1) * every; k++) {
      const x = signal[k]!
      const u = b0 * x + b1 * x1 + b2 * x2 - (a1 * u1 + a2 * u2)
      const y = b0 * u + b1 * u1 + b2 * u2 - (a1 * y1 + a2 * y2)
      const v = c0 * y + c1 * y1 + c2 * y2 - (d1 * v1 + d2 * v2)
      const z = c0 * v + c1 * v1 + c2 * v2 - (d1 * z1 + d2 * z2)
      ;[x1, x2, u1, u2, y1, y2, v1, v2, z1, z2] = [x, x1, u, u1, y, y1, v, v1, z, z1]
      sum += z * z
    }
    loud[i] = sum / every
  }
  return loud
}

/** Mean square of a band, `rate` times a second. */
export interface Loudness {
  loud: Float32Array
  rate: number
}

/** All channels of a recording as one. */
export function mixed(channels: ReadonlyMap<string, Float32Array>): Float32Array {
  const lists = [...channels.values()]
  return (lists[0] ?? new Float32Array()).map((_, i) => lists.reduce((sum, list) => sum + list[i]!, 0) / lists.length)
}
