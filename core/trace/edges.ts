/** Where a signal changes: times in samples, in order. */
export interface Edges {
  rising: number[]
  falling: number[]
}

/** A signal's lower and upper level: its 2nd and 98th percentile, by a histogram over its range. */
export function levelsOf(signal: Float32Array): { low: number; high: number } {
  let [least, most] = [Infinity, -Infinity]
  // So many say as much as all of them.
  const step = Math.max(1, Math.floor(signal.length / LOOKED_AT))
  for (let i = 0; i < signal.length; i += step) {
    const value = signal[i]!
    if (value < least) least = value
    if (value > most) most = value
  }
  if (!(most > least)) return { low: least, high: most }
  const bins = new Uint32Array(BINS)
  const scale = (BINS - 1) / (most - least)
  let all = 0
  for (let i = 0; i < signal.length; i += step) {
    bins[Math.round((signal[i]! - least) * scale)]!++
    all++
  }
  const at = (share: number) => {
    let seen = 0
    for (let i = 0; i < BINS; i++) {
      seen += bins[i]!
      if (seen >= share * all) return least + i / scale
    }
    return most
  }
  return { low: at(0.02), high: at(0.98) }
}

const BINS = 4096
/** Samples by which levels are told. */
const LOOKED_AT = 250_000

/** Of the swing: a sample that stands so far off both its neighbours is a spike. */
const STANDS_OFF = 0.4

/** Without single samples that stand off both their neighbours; steps stay as they are. */
function withoutSpikes(signal: Float32Array): Float32Array {
  const { low, high } = levelsOf(signal)
  const most = STANDS_OFF * (high - low)
  const clean = signal.slice()
  for (let i = 1; i + 1 < signal.length; i++) {
    const now = signal[i]!
    const [up, down] = [now - most, now + most]
    const before = clean[i - 1]!
    if (before >= up && before <= down) continue
    const after = signal[i + 1]!
    if (after >= up && after <= down) continue
    const middle = Math.max(Math.min(before, now), Math.min(Math.max(before, now), after))
    if (Math.abs(now - middle) > most) clean[i] = middle
  }
  return clean
}

/** Samples of one level and its drift: a slow baseline is followed in pieces of so many of them. */
const PIECES = 24
/** Share of the swing by which a change must pass its middle: noise does not. */
const HYSTERESIS = 0.18
/** Samples that are held against one level. */
const BLOCK = 256
/** A change that is taken back sooner than so many samples is a spike. */
const SPIKE = 3

/**
 * Changes of a signal with two levels, half way between them (which may drift), between samples by the straight line.
 * A spike of a sample or two is no change.
 */
export function switchesOf(raw: Float32Array): Edges {
  const signal = withoutSpikes(raw)
  const { middle, swing } = middlesOf(signal)
  const edges: Edges = { rising: [], falling: [] }
  if (!(swing > 0)) return edges
  let high = signal[0]! > middle(0)
  for (let from = 1; from < signal.length; from += BLOCK) {
    const end = Math.min(signal.length, from + BLOCK)
    // A level drifts by nothing over so few samples.
    const level = middle(from)
    const [upper, lower] = [level + HYSTERESIS * swing, level - HYSTERESIS * swing]
    for (let i = from; i < end; i++) {
      const value = signal[i]!
      if (high ? value > lower : value < upper) continue
      if (!holds(signal, i, high, middle)) continue
      const list = high ? edges.falling : edges.rising
      list.push(crossingBefore(signal, i, middle(i), high))
      high = !high
    }
  }
  return edges
}

/** Does a change stay for longer than a spike? */
function holds(signal: Float32Array, at: number, high: boolean, middle: (i: number) => number): boolean {
  let beyond = 0
  const end = Math.min(signal.length, at + SPIKE)
  for (let k = at; k < end; k++) if (signal[k]! > middle(k) !== high) beyond++
  return beyond > (end - at) / 2
}

/** Where the signal last crossed a level before a sample that lies beyond it. */
function crossingBefore(signal: Float32Array, at: number, level: number, falling: boolean): number {
  let k = at
  while (k > 0 && signal[k - 1]! > level !== falling) k--
  const [before, after] = [signal[k - 1] ?? level, signal[k]!]
  return k - (after === before ? 0 : (after - level) / (after - before))
}

/** The middle of the levels along the signal, and their swing. */
function middlesOf(signal: Float32Array): { middle: (i: number) => number; swing: number } {
  const whole = levelsOf(signal)
  const length = Math.ceil(signal.length / PIECES)
  if (length < 200) return { middle: () => (whole.low + whole.high) / 2, swing: whole.high - whole.low }
  const swing = whole.high - whole.low
  const middles = Array.from({ length: PIECES }, (_, k) => {
    const { low, high } = levelsOf(signal.subarray(k * length, (k + 1) * length))
    // A piece in which nothing switches says nothing of the middle.
    return high - low > 0.6 * swing ? (low + high) / 2 : NaN
  })
  const known = middles.filter((value) => !Number.isNaN(value))
  const usual = known.length > 0 ? [...known].sort((a, b) => a - b)[known.length >> 1]! : (whole.low + whole.high) / 2
  const filled = middles.map((value) => (Number.isNaN(value) ? usual : value))
  return {
    swing,
    middle: (i) => {
      const place = Math.min(Math.max(i / length - 0.5, 0), PIECES - 1)
      const k = Math.min(Math.floor(place), PIECES - 2)
      return filled[k]! + (place - k) * (filled[k + 1]! - filled[k]!)
    }
  }
}

/** Shares of an inductive signal's height: a half wave reaches one, ends below one, has its slope fitted within one. */
const [REACHED, ENDED, FITTED] = [0.35, 0.08, 0.7]

/**
 * Zero crossings of an inductive signal one way, each by the line through the samples of its slope. A crossing is where
 * a half wave begins: what only comes back to the flat stretch of a gap is none.
 */
export function zeroCrossings(raw: Float32Array, falling: boolean): number[] {
  const signal = withoutSpikes(raw)
  const { low, high } = levelsOf(signal)
  const height = (high - low) / 2
  if (!(height > 0)) return []
  const zero = quietLevel(signal, height)
  const sign = falling ? 1 : -1
  const crossings: number[] = []
  let [last, beyond] = [-1, true]
  for (let i = 0; i < signal.length; i++) {
    const value = sign * (signal[i]! - zero)
    if (value >= 0) last = i
    if (value > ENDED * height) beyond = false
    if (beyond || value > -REACHED * height || last < 0) continue
    crossings.push(slopeThroughZero(signal, last + 1, zero, sign, FITTED * height))
    beyond = true
  }
  return crossings
}

/** The level about which an inductive signal swings: its mean. */
function quietLevel(signal: Float32Array, height: number): number {
  let [sum, count] = [0, 0]
  const most = 4 * height
  for (let i = 0; i < signal.length; i++) {
    const value = signal[i]!
    if (value > most || value < -most) continue
    sum += value
    count++
  }
  return count > 0 ? sum / count : 0
}

/** Samples of a slope at most. */
const MOST_SLOPE = 400

/** Where the line through the samples of a slope passes zero. */
function slopeThroughZero(signal: Float32Array, at: number, zero: number, sign: number, within: number): number {
  let [from, to] = [at, at]
  const value = (k: number) => sign * (signal[k]! - zero)
  while (to + 1 < signal.length && value(to + 1) > -within && to - at < MOST_SLOPE) to++
  // As far up as the slope itself goes: over the flat of a gap there is nothing to be fitted.
  while (from > 0 && value(from - 1) < within && at - from < Math.min(MOST_SLOPE, 1.3 * (to - at) + 2)) from--
  // Out of the flat of a gap there is a slope on one side alone.
  if (value(from) < 0.5 * within) {
    from = at
    while (from < to && value(from) > -0.15 * within) from++
  }
  if (to - from < 2) return at - 0.5
  let [n, sx, sy, sxx, sxy] = [0, 0, 0, 0, 0]
  for (let k = from; k <= to; k++) {
    const y = sign * (signal[k]! - zero)
    n++
    sx += k - at
    sy += y
    sxx += (k - at) ** 2
    sxy += (k - at) * y
  }
  const slope = (n * sxy - sx * sy) / (n * sxx - sx * sx)
  if (!(slope < 0)) return at - 0.5
  const crossing = -(sy - slope * sx) / (n * slope)
  return at + Math.min(Math.max(crossing, -MOST_SLOPE), to - at + 1)
}
