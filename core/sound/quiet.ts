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

/** The loudness of a piece of the recording, mean square. */
type Level = (piece: Float32Array) => number

export const meanOf: Level = (piece) => piece.reduce((sum, value) => sum + value, 0) / piece.length

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

/** dB of each look, so many a second. */
export function levelsBy(
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
  const least = Math.ceil(LEAST_LONG / seconds)
  const { at, drop, rest } = bestStep(levels, speeds, least, count - 2 * least)
  const spread = Math.sqrt(rest / Math.max(1, count - 3))
  // Levels that follow each other are alike: a few of them weigh as one.
  const error = spread * Math.sqrt(ALIKE * (1 / Math.max(1, at) + 1 / Math.max(1, count - at)))
  const stands = error > 0 ? drop / error : 0
  const found = at > 0 && drop > LEAST_DROP && stands > STANDS_OUT
  return found ? { after: at * seconds, drop, stands } : { after: null, drop: 0, stands }
}

const ALIKE = 2

/**
 * The step that explains levels best, by least squares of level = a + b·speed + drop before `at`, b held loosely to
 * none; at 0 where none does. What is left, Σy² − x·Aᵀy, follows from sums that grow with `at`.
 */
function bestStep(
  levels: Float64Array,
  speeds: Float64Array,
  from: number,
  to: number
): { at: number; drop: number; rest: number } {
  const n = levels.length
  const [meanLevel, meanSpeed] = [levels, speeds].map((list) => list.reduce((sum, value) => sum + value, 0) / n) as [
    number,
    number
  ]
  let [yy, ss, sys] = [0, n / STIFF ** 2 / 100, 0]
  for (let i = 0; i < n; i++) {
    const [y, s] = [levels[i]! - meanLevel, speeds[i]! - meanSpeed]
    yy += y * y
    ss += s * s
    sys += y * s
  }
  // About their means, levels and speeds have no sum.
  let best = { at: 0, drop: 0, rest: yy - (sys * sys) / ss }
  let [ly, ls] = [0, 0]
  for (let at = 1; at < to; at++) {
    ly += levels[at - 1]! - meanLevel
    ls += speeds[at - 1]! - meanSpeed
    if (at < from) continue
    // With level and speed taken out of the step itself, what is left of it tells its height.
    const own = at - (at * at) / n - (ls * ls) / ss
    const along = ly - (ls * sys) / ss
    const rest = yy - (sys * sys) / ss - (along * along) / own
    if (rest < best.rest) best = { at, drop: along / own, rest }
  }
  return best
}
