import type { Message } from '../check'
import { type CamEdge, edgesAt, type CamFit, fitCam, layOn, patternEdges } from './cams'
import { angleReader, type CrankTrack, followCrank } from './crank'
import { type Edges, levelsOf, switchesOf, zeroCrossings } from './edges'
import { say } from './says'
import { type CamPattern, type CrankWheel, CYCLE, type Samples, type Triggers } from './types'

/** What a trace says of one cam, crank degrees. */
export interface CamTrace {
  /** How much later its edges come than on a new drive. */
  lag: number
  /** Standard error of the lag. */
  error: number
  /** From turn to turn. */
  spread: number
  edges: number
  /** Each edge's own shift beside the lag, in the order of the pattern. */
  own: number[]
  /** The part of the lag that repeats with the chain; null where the trace is too short for it, or shows none. */
  waver: { amplitude: number; phase: number; turns: number } | null
  /** The lag of each cycle, and the crank turns after which it came. */
  cycles: { turn: number; lag: number }[]
}

export interface Trace {
  cams: { [sprocket: string]: CamTrace }
  turns: number
  rpm: { mean: number; low: number; high: number }
  /** Speed of each cycle, and the crank turns after which it ended. */
  speeds: { turn: number; rpm: number }[]
  left: { turns: number }
  faults: Message[]
}

/** What is known of the engine besides its wheels: crank turns after which each cam's chain has come round. */
export interface TraceHints {
  rounds?: { readonly [sprocket: string]: number }
}

/** Turns that a trace must hold. */
const FEWEST_TURNS = 4
/** Share of a cam's edges that must lie on its pattern. */
const MATCHED = 0.7

/**
 * Lag of each cam from a trace of crank and cams. Levels come from the signals; the crank is followed by its gaps, its
 * angle between teeth by a cubic; each cam's edges are laid on its pattern.
 * @param samples channels by `crank` and the sheet's ids of the cams
 * @returns what stands in the way instead
 */
export function decodeTrace(
  { crank, cams }: Triggers,
  samples: Samples,
  { rounds = {} }: TraceHints = {}
): Trace | Message {
  const signal = samples.channels.get('crank')
  if (!signal) return say('no-crank')
  for (const cam of Object.keys(cams)) if (!samples.channels.has(cam)) return say('no-channel', { channel: cam })
  const faults: Message[] = []
  const track = trackOf(signal, crank, faults)
  if ('code' in track) return track
  if (track.turns < FEWEST_TURNS) return say('too-short', { turns: track.turns })
  if (track.left > 0) faults.push(say('turns-left', { turns: track.left }))
  const edges = camEdges(samples, Object.keys(cams), crank, track)
  for (const [cam, list] of Object.entries(edges)) if (list.length < 4) return say('flat-signal', { channel: cam })
  const halves = Array.from({ length: 2 * track.alike }, (_, i) => (360 / track.alike) * i)
  const fitted = fitAll(edges, cams, halves, faults)
  if ('code' in fitted) return fitted
  const { fits } = fitted
  const result: Trace['cams'] = {}
  for (const [cam, fit] of Object.entries(fits)) result[cam] = summarise(cam, fit, rounds[cam] ?? null, faults)
  const speeds = speedsOf(track, samples.rate)
  const rpms = speeds.map(({ rpm }) => rpm)
  const rpm = { mean: mean(rpms), low: Math.min(...rpms), high: Math.max(...rpms) }
  return { cams: result, turns: track.turns, rpm, speeds, left: { turns: track.left }, faults }
}

/** The crank followed either way round; a polarity that does not fit the gaps is found and said. */
function trackOf(signal: Float32Array, wheel: CrankWheel, faults: Message[]): CrankTrack | Message {
  const { low, high } = levelsOf(signal)
  if (!(high > low)) return say('flat-signal', { channel: 'crank' })
  const leading = wheel.edge ?? (wheel.sensor === 'hall' ? 'rising' : 'falling')
  const edges = leadingEdges(signal, wheel.sensor)
  const told = edges[leading]
  const other = edges[leading === 'rising' ? 'falling' : 'rising']
  const [asTold, turned] = [followCrank(told, wheel), followCrank(other, wheel)]
  const inverted = isInverted(signal, wheel, asTold, turned)
  const track = inverted ? turned : asTold
  if (inverted) faults.push(say('crank-inverted'))
  if (track) return track
  const { teeth, gaps } = wheel
  return told.length < teeth
    ? say('no-teeth', { found: told.length })
    : say('no-pattern', { teeth, missing: gaps.length })
}

/** Edges of a crank's signal both ways, of which one is its teeth's leading one. */
export function leadingEdges(signal: Float32Array, sensor: CrankWheel['sensor']): Edges {
  return sensor === 'hall'
    ? switchesOf(signal)
    : { rising: zeroCrossings(signal, false), falling: zeroCrossings(signal, true) }
}

/**
 * Is the signal the wrong way up? A Hall sensor is low in a gap; an inductive one shows its even steps, the gap a whole
 * number of them, on the side that is a tooth's edge.
 */
function isInverted(
  signal: Float32Array,
  wheel: CrankWheel,
  told: CrankTrack | null,
  other: CrankTrack | null
): boolean {
  if (!other) return false
  if (!told) return true
  if (wheel.sensor !== 'hall') return uneven(told, wheel) > Math.max(UNEVEN, 3 * uneven(other, wheel))
  const { low, high } = levelsOf(signal)
  const leading = wheel.edge ?? 'rising'
  const inGap: number[] = []
  for (let i = 1; i < told.times.length; i++) {
    const step = told.angles[i]! - told.angles[i - 1]!
    const long = told.times[i]! - told.times[i - 1]!
    // Three quarters of a step before the edge that ends a gap no tooth stands, whichever edge of it that is.
    if (step > (1.5 * 360) / wheel.teeth && step < 90)
      inGap.push(signal[Math.round(told.times[i]! - (0.75 * long * 360) / wheel.teeth / step)] ?? low)
  }
  const middle = [...inGap].sort((a, b) => a - b)[inGap.length >> 1]
  return middle !== undefined && middle > (low + high) / 2 === (leading === 'rising')
}

/** Of a step: a gap off by more is not between two edges of teeth. */
const UNEVEN = 0.12

/** How uneven a crank's steps are about its gaps, as a share of a step: its teeth have even ones. */
function uneven({ times, angles }: CrankTrack, { teeth }: CrankWheel): number {
  const step = 360 / teeth
  let [sum, count] = [0, 0]
  for (let i = 2; i + 1 < times.length; i++) {
    const wide = (angles[i]! - angles[i - 1]!) / step
    if (wide < 1.5 || wide > 6) continue
    const [before, after] = [times[i - 1]! - times[i - 2]!, times[i + 1]! - times[i]!]
    const one = (angles[i - 1]! - angles[i - 2]!) / step === (angles[i + 1]! - angles[i]!) / step
    if (!one) continue
    sum += Math.abs((times[i]! - times[i - 1]!) / wide / ((before + after) / 2) - 1)
    count++
  }
  return count > 0 ? sum / count : 1
}

function camEdges(
  samples: Samples,
  cams: readonly string[],
  wheel: CrankWheel,
  track: CrankTrack
): Record<string, CamEdge[]> {
  // The tooth after a gap begins out of the flat of the gap: an inductive signal leaves its edge to the noise.
  const step = 360 / wheel.teeth
  const missing = new Set(wheel.gaps)
  const after = new Set(wheel.gaps.map((gap) => (gap + 1) % wheel.teeth).filter((tooth) => !missing.has(tooth)))
  const skip = (angle: number) =>
    wheel.sensor === 'inductive' &&
    after.has(((Math.round((angle - wheel.first) / step) % wheel.teeth) + wheel.teeth) % wheel.teeth)
  const angleAt = angleReader(track, skip)
  const bounds = track.spans.map(([from, to]) => [track.angles[from]!, track.angles[to]!] as const)
  const spanOf = (angle: number) => bounds.findIndex(([from, to]) => angle >= from && angle <= to)
  return Object.fromEntries(cams.map((cam) => [cam, edgesAt(switchesOf(samples.channels.get(cam)!), angleAt, spanOf)]))
}

interface Laid {
  shift: number
  matched: number
  inverted: boolean
  half: number
}

/** What a trace's crank leaves open: by how many degrees its turns may be others of the cycle. */
type Halves = readonly number[]

/** Each cam's edges on its pattern: which turn of the cycle it is, channels that were swapped or turned over. */
function fitAll(
  edges: Record<string, CamEdge[]>,
  cams: Triggers['cams'],
  halves: Halves,
  faults: Message[]
): { fits: Record<string, CamFit> } | Message {
  const ids = Object.keys(cams)
  const swapped = swapOf(edges, cams, halves)
  if (swapped) faults.push(say('cams-swapped', { cams: swapped }))
  const own = (cam: string) => edges[swapped?.find((other) => swapped.includes(cam) && other !== cam) ?? cam]!
  const spans = [...new Set(ids.flatMap((cam) => edges[cam]!.map(({ span }) => span)))]
  const largest = spans.reduce((a, b) => (count(edges, b) > count(edges, a) ? b : a), spans[0] ?? 0)
  const laid = Object.fromEntries(
    ids.map((cam) => [cam, waysOf(inSpan(own(cam), largest), cams[cam]!, halves)] as const)
  )
  const half = halves.reduce((a, b) => (togetherAt(laid, b) > togetherAt(laid, a) + 1e-6 ? b : a))
  const fits: Record<string, CamFit> = {}
  for (const cam of ids) {
    const best = bestOf(laid[cam]!, half)
    if (best.matched < MATCHED) return say('no-cam', { cam })
    if (best.inverted) faults.push(say('cam-inverted', { cam }))
    if (best.half !== half) faults.push(say('other-half', { cam }))
    const bySpan = new Map(
      spans.map((span) => [
        span,
        span === largest ? best.half : halfOf(inSpan(own(cam), span), cams[cam]!, best, halves)
      ])
    )
    fits[cam] = fitCam(own(cam), cams[cam]!, best.inverted, best.shift, bySpan)
  }
  return { fits }
}

const inSpan = (edges: readonly CamEdge[], span: number) => edges.filter((edge) => edge.span === span)

/** The turn of the cycle in which a stretch's edges lie as those of the largest do. */
function halfOf(edges: readonly CamEdge[], pattern: CamPattern, best: Laid, halves: Halves): number {
  const far = (half: number) => {
    const { shift, matched } = layOn(edges, patternEdges(pattern, best.inverted), half)
    return Math.abs(shift - best.shift) - 30 * matched
  }
  return halves.reduce((a, b) => (far(b) < far(a) ? b : a))
}

const count = (edges: Record<string, CamEdge[]>, span: number) =>
  Object.values(edges).reduce((sum, list) => sum + list.filter((edge) => edge.span === span).length, 0)

/** The ways to lay a cam's edges on its pattern. */
function waysOf(edges: readonly CamEdge[], pattern: CamPattern, halves: Halves): Laid[] {
  return [false, true].flatMap((inverted) =>
    halves.map((half) => ({ inverted, half, ...layOn(edges, patternEdges(pattern, inverted), half) }))
  )
}

/** crank degrees of shift that weigh as much as a tenth of the edges: drives are late by little. */
const FAR = 400

const weight = ({ matched, shift, inverted }: Laid) => matched - Math.abs(shift) / FAR - (inverted ? 0.15 : 0)

function togetherAt(laid: Record<string, Laid[]>, half: number): number {
  return Object.values(laid).reduce(
    (sum, ways) => sum + Math.max(...ways.filter((way) => way.half === half).map(weight)),
    0
  )
}

/** The best way of a cam in a half of the cycle; in the other only where it hardly fits this one. */
function bestOf(ways: readonly Laid[], half: number): Laid {
  const best = (of: readonly Laid[]) => of.reduce((a, b) => (weight(b) > weight(a) ? b : a))
  const [here, there] = [best(ways.filter((way) => way.half === half)), best(ways.filter((way) => way.half !== half))]
  return here.matched < MATCHED && there.matched >= MATCHED ? there : here
}

/** Two cams whose channels fit each other's pattern, and not their own. */
function swapOf(edges: Record<string, CamEdge[]>, cams: Triggers['cams'], halves: Halves): [string, string] | null {
  const ids = Object.keys(cams)
  const fits = (signal: string, pattern: string) =>
    Math.max(
      ...waysOf(edges[signal]!, cams[pattern]!, halves).flatMap(({ inverted, matched }) => (inverted ? [] : [matched]))
    )
  for (const [i, a] of ids.entries())
    for (const b of ids.slice(i + 1))
      if (fits(a, a) < MATCHED && fits(b, b) < MATCHED && fits(a, b) > 0.9 && fits(b, a) > 0.9) return [a, b]
  return null
}

/** crank degrees by which one edge alone must be off to be damaged, and a cam to be said. */
const [DAMAGED, FAR_OFF] = [1, 60]

function summarise(cam: string, { shifts, edges }: CamFit, round: number | null, faults: Message[]): CamTrace {
  const means = Array.from({ length: edges }, (_, index) =>
    mean(shifts.filter((one) => one.index === index).map(({ shift }) => shift))
  )
  const known = means.filter((value) => !Number.isNaN(value))
  const middle = median(known)
  const sound = known.filter((value) => Math.abs(value - middle) <= DAMAGED)
  const lag = mean(sound.length >= 0.5 * known.length ? sound : known)
  const own = means.map((value) => (Number.isNaN(value) ? 0 : value - lag))
  own.forEach((shift, edge) => {
    if (known.length > 2 && Math.abs(shift) > DAMAGED) faults.push(say('edge-damaged', { cam, edge, shift }))
  })
  if (Math.abs(lag) > FAR_OFF) faults.push(say('far-off', { cam, lag }))
  const rest = shifts
    .filter(({ index }) => Math.abs(own[index]!) <= DAMAGED)
    .map(({ angle, shift, index, cycle }) => ({ angle, cycle, off: shift - means[index]! }))
  const cycles = groupMeans(rest.map(({ cycle, off }) => [cycle, off]))
  const spread = deviation([...cycles.values()])
  const first = rest[0]?.cycle ?? 0
  return {
    lag,
    spread,
    error: cycles.size > 1 ? spread / Math.sqrt(cycles.size) : spread,
    edges: shifts.length,
    own,
    waver: round === null ? null : waverOf(rest, round),
    cycles: [...cycles].map(([cycle, off]) => ({ turn: 2 * (cycle - first), lag: lag + off }))
  }
}

/** Rounds of the chain that a trace must hold for its waver to be told, and standard errors that it must stand out. */
const [ROUNDS, STANDS_OUT] = [2, 4]

/** What repeats with the chain: a cosine of its period, by least squares. */
function waverOf(rest: readonly { angle: number; off: number }[], round: number): CamTrace['waver'] {
  const turns = rest.length > 1 ? (rest.at(-1)!.angle - rest[0]!.angle) / 360 : 0
  if (turns < ROUNDS * round) return null
  let [cc, ss, cs, cy, sy, yy] = [0, 0, 0, 0, 0, 0]
  for (const { angle, off } of rest) {
    const phase = (2 * Math.PI * angle) / (360 * round)
    const [c, s] = [Math.cos(phase), Math.sin(phase)]
    cc += c * c
    ss += s * s
    cs += c * s
    cy += c * off
    sy += s * off
    yy += off * off
  }
  const det = cc * ss - cs * cs
  const [a, b] = [(cy * ss - sy * cs) / det, (sy * cc - cy * cs) / det]
  const amplitude = Math.hypot(a, b)
  const noise = Math.sqrt(Math.max(0, yy - a * cy - b * sy) / Math.max(1, rest.length - 3))
  return amplitude > STANDS_OUT * noise * Math.sqrt(2 / rest.length)
    ? { amplitude, phase: (Math.atan2(b, a) * 180) / Math.PI, turns: round }
    : null
}

function speedsOf({ times, angles, spans }: CrankTrack, rate: number): Trace['speeds'] {
  const speeds: Trace['speeds'] = []
  const begin = angles[spans[0]?.[0] ?? 0] ?? 0
  for (const [from, to] of spans) {
    let start = from
    for (let i = from; i <= to; i++)
      if (angles[i]! - angles[start]! >= CYCLE) {
        const rpm = ((angles[i]! - angles[start]!) / 6 / (times[i]! - times[start]!)) * rate
        speeds.push({ turn: (angles[i]! - begin) / 360, rpm })
        start = i
      }
  }
  return speeds
}

function mean(values: readonly number[]): number {
  return values.length > 0 ? values.reduce((sum, value) => sum + value, 0) / values.length : NaN
}

function median(values: readonly number[]): number {
  return [...values].sort((a, b) => a - b)[values.length >> 1] ?? NaN
}

function deviation(values: readonly number[]): number {
  const middle = mean(values)
  return values.length > 1
    ? Math.sqrt(values.reduce((sum, value) => sum + (value - middle) ** 2, 0) / (values.length - 1))
    : 0
}

function groupMeans(pairs: readonly (readonly [number, number])[]): Map<number, number> {
  const groups = new Map<number, number[]>()
  for (const [key, value] of pairs) {
    const group = groups.get(key)
    if (group) group.push(value)
    else groups.set(key, [value])
  }
  return new Map([...groups].map(([key, group]) => [key, mean(group)]))
}
