import type { Message } from '../check'
import { type Point, smoothLine } from '../math'
import { brightnessAt, type Gray } from './gray'
import { say } from './says'

/** Links along a line on a picture. */
export interface CountedLinks {
  /** Whole, or a half. */
  links: number
  /** As it was measured. */
  measured: number
  /** Is it beyond doubt? */
  sure: boolean
  /** px on the line at each link, from its start. */
  ticks: Point[]
  /** px from link to link at the start and at the end. */
  pitch: [number, number]
}

/** What else is known of a line along a chain. */
export interface LineHints {
  /** px from link to link, roughly. */
  pitch?: number | undefined
  /** Links that there should be, within a few. */
  links?: number | undefined
}

/** Links that a line may hold. */
const [FEWEST, MOST] = [3, 250]
/** How far what is told, and what the plates' height says, may be off: standard deviations, as shares. */
const [TOLD, BY_HEIGHT] = [0.12, 0.3]
/** Of a pitch: across the line the pins' heads are looked at, and beyond them the plates' edge. */
const ACROSS = [-0.16, -0.08, 0, 0.08, 0.16]
/** Looks along the line for each link. */
const LOOKS = 24
/** px beside the line within which the pins may stand. */
const SHIFTS = [-0.24, -0.16, -0.08, 0, 0.08, 0.16, 0.24]
/**
 * Counts the links along a line that follows a chain from mark to mark: what repeats along it with the pins, its period
 * growing or shrinking evenly as a tilted camera shows it.
 * @param line corners of the line, px
 * @returns what stands in the way instead
 */
export function countLinks(picture: Gray, line: readonly Point[], hints: LineHints = {}): CountedLinks | Message {
  const path = alongLine(smoothLine(line))
  if (!(path.length >= SHORTEST)) return say('line-too-short')
  const ways = waysToRepeat(picture, path, hints).sort((a, b) => b.score - a.score)
  const [best] = ways
  if (!best) return say('no-chain-along')
  const rival = ways.find(({ links }) => Math.abs(links / best.links - 1) > 0.06)
  const [from, to] = [-best.phase, best.links - best.phase]
  const off = Math.max(...[from, to].map((end) => Math.abs(end - Math.round(2 * end) / 2)))
  const links = (Math.round(2 * to) - Math.round(2 * from)) / 2
  return {
    links,
    measured: best.links,
    sure:
      best.strength > WEAK &&
      (rival?.score ?? 0) < RIVAL * best.score &&
      off < BETWEEN &&
      Math.abs(links - best.links) < 2 * BETWEEN - 0.1,
    ticks: ticksOf(path, best, Math.floor(links)),
    pitch: [0, 1].map((end) => path.length / slopeAt(best, end)) as [number, number]
  }
}

/** px of a line. */
const SHORTEST = 24

/** A share of the signal that repeats: less is no chain. */
const WEAK = 0.22
/** A second way nearly as likely leaves a doubt. */
const RIVAL = 0.86
/** Links: an end of the line that stands further from a pin, and from the middle of a plate, leaves a doubt. */
const BETWEEN = 0.21

/** A line by its length: where a share of it lies, and which way is across. */
interface Path {
  length: number
  at: (share: number) => { point: Point; across: Point }
}

function alongLine(line: readonly Point[]): Path {
  const pieces = line.slice(1).map((to, i) => {
    const from = line[i]!
    return { from, to, long: Math.hypot(to[0] - from[0], to[1] - from[1]) }
  })
  const length = pieces.reduce((sum, { long }) => sum + long, 0)
  return {
    length,
    at: (share) => {
      let rest = share * length
      const piece = pieces.find(({ long }, i) => {
        if (rest <= long || i === pieces.length - 1) return true
        rest -= long
        return false
      })!
      const way: Point = [(piece.to[0] - piece.from[0]) / piece.long, (piece.to[1] - piece.from[1]) / piece.long]
      return {
        point: [piece.from[0] + rest * way[0], piece.from[1] + rest * way[1]],
        across: [-way[1], way[0]]
      }
    }
  }
}

/** What stands out far from the rest of a row is a blot, not the chain. */
function clipped(row: Float64Array): Float64Array {
  const sizes = row.map(Math.abs).sort()
  const most = 2.5 * sizes[Math.floor(0.6 * sizes.length)]!
  return row.map((value) => Math.max(-most, Math.min(most, value)))
}

interface Way extends Refined {
  /** How strongly it repeats so, by how well that fits what is told, or how high the chain's plates are. */
  score: number
}

/** Ways in which the line may repeat that are looked at closely. */
const LOOKED_AT = 10

/** What repeats along the line, each way weighed. */
function waysToRepeat(
  picture: Gray,
  path: Path,
  { pitch, links: told = pitch && path.length / pitch }: LineHints
): Way[] {
  const [from, to] =
    told === undefined
      ? [FEWEST, Math.min(MOST, path.length / FINEST)]
      : [Math.max(FEWEST, told * (1 - 2 * TOLD) - 0.5), Math.min(MOST, told * (1 + 2 * TOLD) + 0.5)]
  const coarse = Array.from({ length: Math.max(1, Math.ceil((to - from) / 0.25) + 1) }, (_, k) => {
    const links = from + 0.25 * k
    const rows = signalAlong(picture, path, links, [-0.12, 0, 0.12])
    const each = [-0.2, 0, 0.2].map((growth) => ({ growth, strength: repeatsAt(rows, links, growth).strength }))
    return { links, ...each.reduce((a, b) => (b.strength > a.strength ? b : a)) }
  })
  const peaks = coarse.filter(
    ({ strength }, i) => strength >= (coarse[i - 1]?.strength ?? 0) && strength >= (coarse[i + 1]?.strength ?? 0)
  )
  return peaks
    .sort((a, b) => b.strength - a.strength)
    .slice(0, LOOKED_AT)
    .map(({ links, growth }): Way => {
      const fine = refine(signalAlong(picture, path, links, SHIFTS), links, growth)
      const off =
        told === undefined
          ? Math.log(heightInPitches(picture, path, fine) / PLATE_HEIGHT) / BY_HEIGHT
          : Math.log(fine.links / told) / TOLD
      return { ...fine, score: fine.strength * Math.exp(-0.5 * off * off) }
    })
}

/** px from link to link, at least. */
const FINEST = 6
/** A chain's plates are so high, as a share of its pitch. */
const PLATE_HEIGHT = 0.84
/** Looks along the line by which its height is told. */
const HEIGHT_LOOKS = 480
/** What repeats with the pins, with every second one, and twice as often, is all of the chain. */
const OCTAVES = [0.5, 1, 2]
/** Share of the strongest row's repeating power at which the plates end. */
const EDGE = 0.12

/**
 * How high the chain is in pitches, were they so many: it is where the line's neighbourhood repeats as the count says,
 * whatever else lies there. By it a count is told from its half and its double, which repeat as well.
 */
function heightInPitches(picture: Gray, path: Path, { links, growth }: Refined): number {
  const reach = Math.min(path.length / 4, (2.2 * path.length) / links)
  const step = Math.max(1, reach / 45)
  const middle = Math.floor(reach / step)
  const powers = Array.from({ length: 2 * middle + 1 }, (_, k) =>
    repeatingPower(rowBeside(picture, path, (k - middle) * step), links, growth)
  )
  const most = Math.max(...powers.slice(middle - (middle >> 2), middle + (middle >> 2) + 1))
  const isOn = (k: number) => Math.max(powers[k] ?? 0, powers[k + 1] ?? 0, powers[k - 1] ?? 0) > EDGE * most
  let [low, high] = [middle, middle]
  while (high < powers.length - 1 && isOn(high + 1)) high++
  while (low > 0 && isOn(low - 1)) low--
  return ((high - low + 1) * step * links) / path.length
}

function repeatingPower(row: Float64Array, links: number, growth: number): number {
  let sum = 0
  for (const times of OCTAVES) {
    let [re, im] = [0, 0]
    for (let k = 0; k < row.length; k++) {
      const turns = 2 * Math.PI * times * phaseAt(links, growth, (k + 0.5) / row.length)
      re += row[k]! * Math.cos(turns)
      im += row[k]! * Math.sin(turns)
    }
    sum += re * re + im * im
  }
  return sum
}

function rowBeside(picture: Gray, path: Path, beside: number): Float64Array {
  const raw = Float64Array.from({ length: HEIGHT_LOOKS }, (_, k) => {
    const { point, across } = path.at((k + 0.5) / HEIGHT_LOOKS)
    return brightnessAt(picture, [point[0] + beside * across[0], point[1] + beside * across[1]])
  })
  return clipped(levelled(raw, HEIGHT_LOOKS >> 3))
}

/** What the pins' heads look like along the line, at so many links: brightness, its slow part taken away. */
function signalAlong(picture: Gray, path: Path, links: number, shifts: readonly number[]): Float64Array[] {
  const looks = Math.max(64, Math.round(links * LOOKS))
  const pitch = path.length / links
  return shifts.map((shift) => {
    const raw = Float64Array.from({ length: looks }, (_, k) => {
      const { point, across } = path.at((k + 0.5) / looks)
      let sum = 0
      for (const off of ACROSS) {
        const by = (shift + 0.5 * off) * pitch
        sum += brightnessAt(picture, [point[0] + by * across[0], point[1] + by * across[1]])
      }
      return sum / ACROSS.length
    })
    return evened(levelled(raw, Math.round(1.2 * LOOKS)), LOOKS)
  })
}

/** Less its running mean, so that light and shadow are no signal. */
function levelled(raw: Float64Array, half: number): Float64Array {
  const sums = new Float64Array(raw.length + 1)
  for (let i = 0; i < raw.length; i++) sums[i + 1] = sums[i]! + raw[i]!
  return raw.map((value, i) => {
    const [from, to] = [Math.max(0, i - half), Math.min(raw.length, i + half + 1)]
    return value - (sums[to]! - sums[from]!) / (to - from)
  })
}

/** Of one strength along the line: a blot or a glint on the chain weighs no more than a link. */
function evened(signal: Float64Array, half: number): Float64Array {
  const sums = new Float64Array(signal.length + 1)
  for (let i = 0; i < signal.length; i++) sums[i + 1] = sums[i]! + signal[i]! ** 2
  return signal.map((value, i) => {
    const [from, to] = [Math.max(0, i - half), Math.min(signal.length, i + half + 1)]
    return (EVEN * value) / (Math.sqrt((sums[to]! - sums[from]!) / (to - from)) + FAINT)
  })
}

/** Strength to which a signal is brought, and below which it is left faint. */
const [EVEN, FAINT] = [20, 2.5]

/** Turns of the phase from the line's start to a share of it, for so many links and so much growth of their pitch. */
function phaseAt(links: number, growth: number, share: number): number {
  return links * (share + (growth / 2) * share * (1 - share))
}

function slopeAt({ links, growth }: { links: number; growth: number }, share: number): number {
  return links * (1 + (growth / 2) * (1 - 2 * share))
}

/** Harmonics that pins show, and their weight: a row of round heads is no sine. */
const HARMONICS = [1, 0.6]

/** Share of the signal that repeats so, and the phase (turns) of its brightest places. */
function repeatsAt(rows: readonly Float64Array[], links: number, growth: number): { strength: number; phase: number } {
  let best = { strength: 0, phase: 0 }
  for (const row of rows) {
    let power = 0
    for (const value of row) power += value * value
    if (power < 4 * row.length) continue
    let [strength, phase] = [0, 0]
    HARMONICS.forEach((weight, h) => {
      let [re, im] = [0, 0]
      for (let k = 0; k < row.length; k++) {
        const turns = 2 * Math.PI * (h + 1) * phaseAt(links, growth, (k + 0.5) / row.length)
        re += row[k]! * Math.cos(turns)
        im += row[k]! * Math.sin(turns)
      }
      strength += (weight * 2 * (re * re + im * im)) / (power * row.length)
      if (h === 0) phase = Math.atan2(im, re) / (2 * Math.PI)
    })
    if (strength > best.strength) best = { strength, phase }
  }
  return best
}

interface Refined {
  links: number
  growth: number
  strength: number
  /** Turns at which the brightest places lie. */
  phase: number
}

/** The strongest place near a candidate, by steps that halve. */
function refine(rows: readonly Float64Array[], links: number, growth: number): Refined {
  let best: Refined = { links, growth, ...repeatsAt(rows, links, growth) }
  let [stepLinks, stepGrowth] = [0.2, 0.08]
  while (stepLinks > 0.002) {
    const around = [
      [stepLinks, 0],
      [-stepLinks, 0],
      [0, stepGrowth],
      [0, -stepGrowth]
    ].map(([l, g]) => {
      const [n, by] = [best.links + l!, best.growth + g!]
      return { links: n, growth: by, ...repeatsAt(rows, n, by) }
    })
    const top = around.reduce((a, b) => (b.strength > a.strength ? b : a))
    if (top.strength > best.strength) best = top
    else [stepLinks, stepGrowth] = [stepLinks / 2, stepGrowth / 2]
  }
  return best
}

/** Where each whole link from the start on stands, and where the last ends. */
function ticksOf(path: Path, { links, growth }: Refined, whole: number): Point[] {
  return Array.from({ length: whole + 1 }, (_, k) => {
    let [low, high] = [0, 1]
    for (let i = 0; i < 40; i++) {
      const middle = (low + high) / 2
      if (phaseAt(links, growth, middle) < k) low = middle
      else high = middle
    }
    return path.at((low + high) / 2).point
  })
}
