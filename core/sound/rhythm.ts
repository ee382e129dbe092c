/** What clatter may keep time with. */
export type RhythmOf = 'crank' | 'cam' | 'chain' | 'teeth'

export interface Rhythm {
  of: RhythmOf
  /** 0 to 1: share of the clatter's ups and downs that repeats so, and with nothing shorter. */
  strength: number
}

/** What an engine's rhythms are. */
export interface Beats {
  cylinders: number
  /** Crank turns after which the chain has come round. */
  round: number
  /** Teeth of the sprocket that drives it. */
  teeth: number
}

/** Places of a turn that are told apart, for each tooth and for slower rhythms. */
const [PER_TOOTH, PER_TURN] = [6, 24]
/** Strengths below this are none. */
const LEAST = 0.02

/**
 * Rhythms of a loudness over the crank's turns, strongest first: loudness is laid on one period, the share of its
 * variance between the places of it (less what chance gives) is what repeats so; of that goes what a shorter rhythm
 * explains that fits into it a whole number of times.
 * @param turnAt crank turns at each value of `loud`
 */
export function findRhythms(loud: Float32Array, turnAt: (i: number) => number, beats: Beats): Rhythm[] {
  const { cylinders, round, teeth } = beats
  const cells = cellsOf(loud, turnAt, PER_TOOTH * teeth)
  const slow = cellsOf(loud, turnAt, PER_TURN)
  if (slow.length < 4 * PER_TURN) return []
  const known = new Map<number, number>()
  const explained = (period: number) => {
    const found =
      known.get(period) ??
      (period < 0.4
        ? share(cells, PER_TOOTH * teeth * period, PER_TOOTH)
        : share(slow, PER_TURN * period, Math.round(PER_TURN * period * COARSE)))
    known.set(period, found)
    return found
  }
  const firing = 2 / cylinders
  const shorter = (period: number, others: readonly number[]) =>
    Math.max(0, ...others.filter((other) => isWhole(period / other) && other < period - 1e-6).map(explained))
  const strengths: Record<RhythmOf, number> = {
    teeth: overLonger(explained(1 / teeth), (PER_TOOTH * teeth) / PER_TURN),
    crank: explained(1) - shorter(1, [firing]),
    cam: explained(2) - shorter(2, [1, firing]),
    chain: slow.length > 2.5 * PER_TURN * round ? explained(round) - shorter(round, [1, 2, firing]) : 0
  }
  return (Object.keys(strengths) as RhythmOf[])
    .map((of) => ({ of, strength: Math.min(1, Math.max(0, strengths[of])) }))
    .filter(({ strength }) => strength > LEAST)
    .sort((a, b) => b.strength - a.strength)
}

const COARSE = 0.5

/** A share found over short pieces as it would be over pieces so many times as long, in which chance is less. */
function overLonger(explained: number, times: number): number {
  const over = (Math.max(0, explained) / Math.max(1e-9, 1 - explained)) * times
  return over / (1 + over)
}

const isWhole = (value: number) => Math.abs(value - Math.round(value)) < 1e-3

/** Loudness (as amplitude) by equal pieces of a turn, less its slow part. */
function cellsOf(loud: Float32Array, turnAt: (i: number) => number, perTurn: number): Float64Array {
  const first = turnAt(0)
  const count = Math.max(0, Math.floor((turnAt(loud.length - 1) - first) * perTurn))
  const sums = new Float64Array(count)
  const many = new Float64Array(count)
  for (let i = 0; i < loud.length; i++) {
    const cell = Math.floor((turnAt(i) - first) * perTurn)
    if (cell < 0 || cell >= count) continue
    sums[cell]! += loud[i]!
    many[cell]!++
  }
  let last = 0
  const values = sums.map((sum, i) => (last = many[i]! > 0 ? Math.sqrt(sum / many[i]!) : last))
  return levelled(values, SLOW * perTurn)
}

/** Turns over which a slow part is taken. */
const SLOW = 12

function levelled(values: Float64Array, half: number): Float64Array {
  const sums = new Float64Array(values.length + 1)
  for (let i = 0; i < values.length; i++) sums[i + 1] = sums[i]! + values[i]!
  return values.map((value, i) => {
    const [from, to] = [Math.max(0, i - half), Math.min(values.length, i + half + 1)]
    const mean = (sums[to]! - sums[from]!) / (to - from)
    return mean > 0 ? value / mean - 1 : 0
  })
}

/** Share of the variance that lies between the places of a period of so many cells, less what chance gives. */
function share(cells: Float64Array, period: number, places: number): number {
  const n = cells.length
  const bins = Math.max(2, Math.min(places, Math.floor(n / 3)))
  const sums = new Float64Array(bins)
  const many = new Float64Array(bins)
  let [mean, square] = [0, 0]
  for (let i = 0; i < n; i++) {
    const bin = Math.floor(((i % period) / period) * bins) % bins
    sums[bin]! += cells[i]!
    many[bin]!++
    mean += cells[i]! / n
    square += cells[i]! * cells[i]!
  }
  const whole = square - n * mean * mean
  if (!(whole > 0)) return 0
  let between = 0
  for (let k = 0; k < bins; k++) if (many[k]! > 0) between += many[k]! * (sums[k]! / many[k]! - mean) ** 2
  const within = Math.max(0, whole - between)
  return 1 - within / Math.max(1, n - bins) / (whole / (n - 1))
}
