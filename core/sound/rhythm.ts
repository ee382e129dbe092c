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

/** Crank turns after which each rhythm comes again. */
const periodsOf = ({ round, teeth }: Beats): Record<RhythmOf, number> => ({
  crank: 1,
  cam: 2,
  chain: round,
  teeth: 1 / teeth
})

/** Places of a turn that are told apart, for each tooth and for slower rhythms. */
const [PER_TOOTH, PER_TURN] = [6, 24]
/** Strengths below this are none. */
const LEAST = 0.02

/**
 * Rhythms of a loudness over the crank's turns, strongest first: loudness is laid on one period, the share of its
 * variance between the places of it (less what chance gives) is what repeats so; of that goes what a shorter rhythm
 * explains that fits into it a whole number of times.
 * @param turns crank turns at each value of `loud`
 */
export function findRhythms(loud: Float32Array, turns: Float64Array, beats: Beats): Rhythm[] {
  const { cylinders, round, teeth } = beats
  const cells = cellsOf(loud, turns, PER_TOOTH * teeth)
  const slow = cellsOf(loud, turns, PER_TURN)
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
function cellsOf(loud: Float32Array, turns: Float64Array, perTurn: number): Float64Array {
  const first = turns[0]!
  const count = Math.max(0, Math.floor((turns[loud.length - 1]! - first) * perTurn))
  const sums = new Float64Array(count)
  const many = new Float64Array(count)
  for (let i = 0; i < loud.length; i++) {
    const cell = Math.floor((turns[i]! - first) * perTurn)
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
  const level = new Float64Array(values.length)
  for (let i = 0; i < values.length; i++) {
    const from = Math.max(0, i - half)
    const to = Math.min(values.length, i + half + 1)
    const mean = (sums[to]! - sums[from]!) / (to - from)
    level[i] = mean > 0 ? values[i]! / mean - 1 : 0
  }
  return level
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
    mean += cells[i]!
    square += cells[i]! * cells[i]!
  }
  mean /= n
  const whole = square - n * mean * mean
  if (!(whole > 0)) return 0
  let between = 0
  for (let k = 0; k < bins; k++) if (many[k]! > 0) between += many[k]! * (sums[k]! / many[k]! - mean) ** 2
  const within = Math.max(0, whole - between)
  return 1 - within / Math.max(1, n - bins) / (whole / (n - 1))
}

/** Turns over which a rhythm is followed at a time, and standard errors that its end must stand out. */
const [FOLLOWED, ENDS] = [0.5, 6]

/**
 * When a rhythm that the beginning keeps is over: its shape, taken from there, is laid on what follows, and the moment
 * found at which it no longer fits.
 * @param until values of `loud` in which it is kept
 * @returns place in `loud`; null where it goes on, or does not stand out
 */
export function endOfRhythm(
  loud: Float32Array,
  turns: Float64Array,
  of: RhythmOf,
  beats: Beats,
  until: number
): number | null {
  const period = periodsOf(beats)[of]
  const perTurn = of === 'teeth' ? PER_TOOTH * beats.teeth : PER_TURN
  const places = Math.max(2, Math.round(perTurn * period))
  const cells = cellsOf(loud, turns, perTurn)
  const first = turns[0]!
  const kept = Math.floor((turns[until - 1]! - first) * perTurn)
  const placeOf = (cell: number) => Math.floor(((cell % (perTurn * period)) / (perTurn * period)) * places) % places
  const shape = new Float64Array(places)
  const many = new Float64Array(places)
  for (let cell = 0; cell < kept; cell++) {
    shape[placeOf(cell)]! += cells[cell]!
    many[placeOf(cell)]!++
  }
  const mean = shape.reduce((sum, value) => sum + value, 0) / Math.max(1, kept)
  for (let k = 0; k < places; k++) shape[k] = many[k]! > 0 ? shape[k]! / many[k]! - mean : 0
  const every = Math.max(1, Math.round(FOLLOWED * perTurn))
  const fits = Float64Array.from({ length: Math.floor(cells.length / every) }, (_, i) => {
    let sum = 0
    for (let cell = i * every; cell < (i + 1) * every; cell++) sum += cells[cell]! * shape[placeOf(cell)]!
    return sum
  })
  const step = stepDown(fits)
  if (step === null) return null
  const turn = first + (step * every) / perTurn
  let [low, high] = [0, loud.length - 1]
  while (low < high) {
    const middle = (low + high) >> 1
    if (turns[middle]! < turn) low = middle + 1
    else high = middle
  }
  return low
}

/** Place of the clearest step down; null where none stands out. */
function stepDown(values: Float64Array): number | null {
  const n = values.length
  const whole = values.reduce((sum, value) => sum + value, 0)
  const square = values.reduce((sum, value) => sum + value * value, 0)
  let best = { at: 0, stands: 0 }
  let [sum, squares] = [0, 0]
  for (let at = 1; at < n; at++) {
    sum += values[at - 1]!
    squares += values[at - 1]! ** 2
    if (at < 4 || n - at < 4) continue
    const [before, after] = [sum / at, (whole - sum) / (n - at)]
    const rest = squares - at * before ** 2 + (square - squares) - (n - at) * after ** 2
    const error = Math.sqrt((rest / (n - 2)) * (1 / at + 1 / (n - at)))
    const stands = error > 0 ? (before - after) / error : 0
    if (stands > best.stands) best = { at, stands }
  }
  return best.stands > ENDS ? best.at : null
}
