/** Where a recording goes quiet. */
export interface Quiet {
  /** Seconds from the start; null where it does not. */
  after: number | null
  /** dB by which it was louder before, and its standard errors. */
  drop: number
  stands: number
}

/** Looks a second at how loud it is, at knocks, and at when the last came; seconds that a knock lasts. */
const [LOOKS, KNOCK] = [25, 0.004]
const KNOCK_LOOKS = [10, 5, 2.5]
const FINE_LOOKS = 50
/** dB by which clatter is louder, at least, and seconds of it; standard errors that the step stands out. */
const [LEAST_DROP, LEAST_LONG, STANDS_OUT] = [0.8, 0.15, 7]
/** dB for each doubling of speed, as a first guess held loosely. */
const STIFF = 4

/**
 * The moment at which loudness falls for good: of all moments the one at which a step, beside a growth with speed,
 * explains the levels best.
 * @param loud mean square of the clatter's band, `rate` times a second
 * @param rpmAt by seconds
 */
export function findQuiet(loud: Float32Array, rate: number, rpmAt: (seconds: number) => number): Quiet {
  const by = (looks: number, level: Level) => stepIn(levelsBy(loud, rate, looks, level), rpmAt)
  const loudest = loudestOf(Math.max(1, Math.round(KNOCK * rate)))
  // Hiss is told by its mean, single knocks by the loudest moment of each look: longer than from one to the next.
  const hiss = by(LOOKS, meanOf)
  const knocks = KNOCK_LOOKS.map((looks) => by(looks, loudest)).reduce((a, b) => (b.stands > a.stands ? b : a))
  if (hiss.stands >= knocks.stands || knocks.after === null) return hiss
  return { ...knocks, after: lastKnock(levelsBy(loud, rate, FINE_LOOKS, loudest), knocks.after) }
}

/** Seconds about a coarse step within which the last knock is looked for. */
const ABOUT = 0.7

/** Seconds at which the last knock before a coarse step came: the last moment nearer to the loud than to the quiet. */
function lastKnock({ levels, seconds }: { levels: Float64Array; seconds: number }, coarse: number): number {
  const at = Math.round(coarse / seconds)
  const near = Math.round(ABOUT / seconds)
  const [before, after] = [levels.slice(0, at).sort(), levels.slice(at + near).sort()]
  const usual = after[Math.floor(0.9 * after.length)] ?? before[0]!
  const middle = (usual + before[Math.floor(0.97 * before.length)]!) / 2
  const knocks = levels
    .slice(0, at)
    .reduce((sum, level, i) => sum + (level > middle && !(levels[i - 1]! > middle) ? 1 : 0), 0)
  // The last knock came, the next one would have: half way between them it went quiet.
  const spacing = Math.min(ABOUT, coarse / Math.max(1, knocks))
  for (let i = Math.min(levels.length - 1, at + near); i >= Math.max(0, at - near); i--)
    if (levels[i]! > middle) return (i + 0.5) * seconds + spacing / 2
  return coarse
}

/** The level of a look: mean square of a piece of the recording. */
type Level = (piece: Float32Array) => number

const meanOf: Level = (piece) => piece.reduce((sum, value) => sum + value, 0) / piece.length

/** The loudest of the moments of a look, each so many values long. */
function loudestOf(every: number): Level {
  return (piece) => {
    let most = 0
    for (let from = 0; from + every <= piece.length; from += every) {
      let sum = 0
      for (let k = from; k < from + every; k++) sum += piece[k]!
      most = Math.max(most, sum / every)
    }
    return most
  }
}

function levelsBy(
  loud: Float32Array,
  rate: number,
  looks: number,
  level: Level
): { levels: Float64Array; seconds: number } {
  const every = Math.max(1, Math.round(rate / looks))
  return {
    seconds: every / rate,
    levels: Float64Array.from(
      { length: Math.floor(loud.length / every) },
      (_, i) => 10 * Math.log10(level(loud.subarray(i * every, (i + 1) * every)) + 1e-12)
    )
  }
}

function stepIn(
  { levels, seconds }: { levels: Float64Array; seconds: number },
  rpmAt: (seconds: number) => number
): Quiet {
  const count = levels.length
  const speeds = Float64Array.from(levels, (_, i) => Math.log2(Math.max(1, rpmAt(i * seconds))))
  const plain = stepFit(levels, speeds, null)
  let best = { ...plain, at: 0 }
  const least = Math.ceil(LEAST_LONG / seconds)
  for (let at = least; at < count - 2 * least; at++) {
    const fit = stepFit(levels, speeds, at)
    if (fit.rest < best.rest) best = { ...fit, at }
  }
  const spread = Math.sqrt(best.rest / Math.max(1, count - 3))
  // Levels that follow each other are alike: a few of them weigh as one.
  const error = spread * Math.sqrt(ALIKE * (1 / Math.max(1, best.at) + 1 / Math.max(1, count - best.at)))
  const stands = error > 0 ? best.drop / error : 0
  const found = best.at > 0 && best.drop > LEAST_DROP && stands > STANDS_OUT
  return found ? { after: best.at * seconds, drop: best.drop, stands } : { after: null, drop: 0, stands }
}

const ALIKE = 2

/** Least squares of level = a + b·speed + drop before `at`; b held loosely to none. */
function stepFit(levels: Float64Array, speeds: Float64Array, at: number | null): { rest: number; drop: number } {
  const n = levels.length
  let [s1, sy, ss, sys, l1, ly, ls] = [0, 0, 0, 0, 0, 0, 0]
  let middle = 0
  for (let i = 0; i < n; i++) middle += speeds[i]! / n
  for (let i = 0; i < n; i++) {
    const [y, s] = [levels[i]!, speeds[i]! - middle]
    s1 += s
    sy += y
    ss += s * s
    sys += y * s
    if (at === null || i >= at) continue
    l1++
    ly += y
    ls += s
  }
  const ridge = n / STIFF ** 2 / 100
  const [a, b, c] = at === null ? solve2(n, s1, ss + ridge, sy, sys) : solve3(n, s1, l1, ss + ridge, ls, sy, sys, ly)
  let rest = ridge * b * b
  for (let i = 0; i < n; i++) {
    const off = levels[i]! - a - b * (speeds[i]! - middle) - (at !== null && i < at ? c : 0)
    rest += off * off
  }
  return { rest, drop: c }
}

function solve2(n: number, s1: number, ss: number, sy: number, sys: number): [number, number, number] {
  const det = n * ss - s1 * s1
  return [(sy * ss - sys * s1) / det, (n * sys - s1 * sy) / det, 0]
}

/** Normal equations of three unknowns: level, speed, step (of which the square's sum is its count). */
function solve3(
  n: number,
  s1: number,
  l1: number,
  ss: number,
  ls: number,
  sy: number,
  sys: number,
  ly: number
): [number, number, number] {
  const det = n * (ss * l1 - ls * ls) - s1 * (s1 * l1 - ls * l1) + l1 * (s1 * ls - ss * l1)
  const a = sy * (ss * l1 - ls * ls) - s1 * (sys * l1 - ls * ly) + l1 * (sys * ls - ss * ly)
  const b = n * (sys * l1 - ls * ly) - sy * (s1 * l1 - ls * l1) + l1 * (s1 * ly - sys * l1)
  const c = n * (ss * ly - ls * sys) - s1 * (s1 * ly - l1 * sys) + sy * (s1 * ls - ss * l1)
  return [a / det, b / det, c / det]
}
