import type { Message } from '../check'
import { type CamEdge, edgesAt } from './cams'
import { angleReader, type CrankTrack, followCrank, stepsBetween } from './crank'
import { decodeTrace, leadingEdges, type Trace, type TraceHints } from './decode'
import { levelsOf, switchesOf } from './edges'
import { say } from './says'
import { type CamPattern, type CrankWheel, CYCLE, type Samples, type Triggers } from './types'

/**
 * A trace against a good one of the same engine: both decoded alike, lag is the difference. Without trigger wheels on
 * the sheet they are learnt from the good trace.
 * @param triggers of the sheet; null where it has none
 * @param cams ids of the cams whose channels both have
 * @returns what stands in the way instead
 */
export function compareTraces(
  triggers: Triggers | null,
  good: Samples,
  trace: Samples,
  cams: readonly string[],
  hints: TraceHints = {}
): Trace | Message {
  const wheels = triggers ?? learnTriggers(good, cams)
  if ('code' in wheels) return wheels
  const before = decodeTrace(wheels, good, hints)
  if ('code' in before) return before
  const now = decodeTrace(wheels, trace, hints)
  if ('code' in now) return now
  return {
    ...now,
    cams: Object.fromEntries(
      Object.entries(now.cams).map(([id, cam]) => {
        const { lag, error, own } = before.cams[id]!
        return [
          id,
          {
            ...cam,
            lag: cam.lag - lag,
            error: Math.hypot(cam.error, error),
            cycles: cam.cycles.map(({ turn, lag: late }) => ({ turn, lag: late - lag })),
            own: cam.own.map((shift, i) => shift - (own[i] ?? 0))
          }
        ]
      })
    )
  }
}

/** Wheels of crank and cams as a trace shows them, the crank's angle counted from the first tooth after its gap. */
export function learnTriggers({ channels }: Samples, cams: readonly string[]): Triggers | Message {
  const signal = channels.get('crank')
  if (!signal) return say('no-crank')
  for (const cam of cams) if (!channels.has(cam)) return say('no-channel', { channel: cam })
  const { low, high } = levelsOf(signal)
  if (!(high > low)) return say('flat-signal', { channel: 'crank' })
  const switches = Object.fromEntries(cams.map((cam) => [cam, switchesOf(channels.get(cam)!)]))
  for (const [cam, { rising, falling }] of Object.entries(switches))
    if (rising.length + falling.length < 4) return say('flat-signal', { channel: cam })
  const sensor = sensorOf(signal, low, high)
  for (const edge of sensor === 'hall' ? (['rising', 'falling'] as const) : (['falling', 'rising'] as const)) {
    const edges = leadingEdges(signal, sensor)[edge]
    const wheel = learnWheel(edges)
    if (!wheel) continue
    // Gaps that repeat within a turn leave open how many of their rounds a turn is: the cams tell.
    for (const times of [1, 2, 3, 4]) {
      const whole = { ...repeated(wheel, times), first: 0, sensor, edge }
      const track = followCrank(edges, whole)
      const patterns = track && learnPatterns(track, switches)
      if (patterns && !isTurned(whole, patterns, channels)) return { crank: whole, cams: patterns }
    }
  }
  return say('no-wheel')
}

/** Share of samples near one of two levels from which a signal is a Hall sensor's. */
const [LEVEL, BILEVEL] = [0.18, 0.72]

function sensorOf(signal: Float32Array, low: number, high: number): CrankWheel['sensor'] {
  const near = LEVEL * (high - low)
  let count = 0
  for (const value of signal) if (value < low + near || value > high - near) count++
  return count > BILEVEL * signal.length ? 'hall' : 'inductive'
}

/** Teeth of a wheel's longest gap, and edges of its longest round. */
const [LONGEST_GAP, MOST_EDGES] = [6, 240]
/** Share of the steps that must repeat, and of the gaps among them. */
const [REPEATS, GAPS_REPEAT] = [0.93, 0.7]

/** The shortest round of steps that repeats, with a gap in it; counted from the first tooth after the longest gap. */
function learnWheel(edges: readonly number[]): { teeth: number; gaps: number[] } | null {
  const steps = stepsBetween(edges, LONGEST_GAP).slice(1)
  const n = roundOf(steps)
  if (n === null) return null
  const from = cleanRound(steps, n)
  if (from === null) return null
  const round = steps.slice(from, from + n)
  const longest = Math.max(...round)
  if (longest < 2) return null
  // The step that ends at the first tooth after the gap comes last.
  const after = round.indexOf(longest) + 1
  const turned = [...round.slice(after), ...round.slice(0, after)]
  const teeth = turned.reduce((sum, step) => sum + step, 0)
  const present = new Set<number>([0])
  let at = 0
  for (const step of turned.slice(0, -1)) present.add((at += step))
  return { teeth, gaps: [...Array(teeth).keys()].filter((tooth) => !present.has(tooth)) }
}

function roundOf(steps: readonly number[]): number | null {
  for (let n = 4; n <= Math.min(MOST_EDGES, steps.length / 3); n++) {
    let [same, gaps, sameGaps] = [0, 0, 0]
    for (let i = 0; i + n < steps.length; i++) {
      const isSame = steps[i] === steps[i + n]
      if (isSame) same++
      if (steps[i]! < 2 && steps[i + n]! < 2) continue
      gaps++
      if (isSame) sameGaps++
    }
    if (same > REPEATS * (steps.length - n) && sameGaps > GAPS_REPEAT * gaps) return n
  }
  return null
}

/** A place from which a whole round is followed by the same again. */
function cleanRound(steps: readonly number[], n: number): number | null {
  for (let i = 0; i + 2 * n <= steps.length; i++) {
    let k = 0
    while (k < n && steps[i + k]! > 0 && steps[i + k] === steps[i + k + n]) k++
    if (k === n) return i
  }
  return null
}

function repeated({ teeth, gaps }: { teeth: number; gaps: readonly number[] }, times: number) {
  return {
    teeth: teeth * times,
    gaps: Array.from({ length: times }, (_, i) => gaps.map((gap) => gap + i * teeth)).flat()
  }
}

/** crank degrees within which the edges of one tooth of a cam come; the share of cycles in which each must. */
const [TOGETHER, OFTEN] = [7, 0.6]

/** The cams' high stretches over a cycle, in the longest stretch of crank without a fault; null where none repeat. */
function learnPatterns(
  track: CrankTrack,
  switches: { readonly [cam: string]: { rising: number[]; falling: number[] } }
): { [cam: string]: CamPattern } | null {
  const [from, to] = track.spans.reduce((a, b) => (b[1] - b[0] > a[1] - a[0] ? b : a))
  const cycles = (track.angles[to]! - track.angles[from]!) / CYCLE
  if (cycles < 2) return null
  const angleAt = angleReader({ ...track, spans: [[from, to]] }, () => false)
  const patterns = Object.entries(switches).map(([cam, edges]) => {
    const pattern = patternOf(
      edgesAt(edges, angleAt, () => 0),
      cycles
    )
    return [cam, pattern] as const
  })
  if (patterns.some(([, pattern]) => pattern === null)) return null
  return Object.fromEntries(patterns) as { [cam: string]: CamPattern }
}

function patternOf(edges: readonly CamEdge[], cycles: number): CamPattern | null {
  const places = edges
    .map(({ angle, rising }) => ({ at: ((angle % CYCLE) + CYCLE) % CYCLE, rising }))
    .sort((a, b) => a.at - b.at)
  const groups = groupsOf(places).filter(({ count }) => count >= OFTEN * cycles)
  const inGroups = groups.reduce((sum, { count }) => sum + count, 0)
  // A round that is too short shows every edge in some of its cycles only.
  if (groups.length < 2 || groups.length % 2 === 1 || inGroups < REPEATS * edges.length) return null
  const alternates = groups.every(({ rising }, i) => rising !== groups[(i + 1) % groups.length]!.rising)
  if (!alternates) return null
  return groups.flatMap(({ at, rising }, i): CamPattern => {
    if (!rising) return []
    const next = groups[i + 1]?.at ?? groups[0]!.at + CYCLE
    return [[at, next]]
  })
}

/** Edges of one way that come together, over the end of the cycle too. */
function groupsOf(
  places: readonly { at: number; rising: boolean }[]
): { at: number; rising: boolean; count: number }[] {
  const groups: { at: number; rising: boolean; count: number; last: number }[] = []
  const early = places.filter(({ at }) => at < TOGETHER).map((place) => ({ ...place, at: place.at + CYCLE }))
  const open = (rising: boolean) => groups.findLast((group) => group.rising === rising)
  for (const { at, rising } of [...places, ...early]) {
    const group = open(rising)
    if (group && at - group.last < TOGETHER) {
      group.at += (at - group.at) / ++group.count
      group.last = at
    } else groups.push({ at, rising, count: 1, last: at })
  }
  // What was counted at both ends of the cycle stands at its end, where it is whole.
  const whole = groups.filter(
    (group) => !groups.some((other) => other !== group && isSame(other, group) && other.count > group.count)
  )
  return whole
    .map(({ at, rising, count }) => ({ at: at % CYCLE, rising, count }))
    .filter((group, i, all) => all.findIndex((other) => isSame(other, group)) === i)
    .sort((a, b) => a.at - b.at)
}

function isSame(a: { at: number; rising: boolean }, b: { at: number; rising: boolean }): boolean {
  const apart = Math.abs(a.at - b.at) % CYCLE
  return a.rising === b.rising && Math.min(apart, CYCLE - apart) < TOGETHER
}

/** Is the crank, followed by this edge, taken for one the wrong way up? Then the other edge is the tooth's. */
function isTurned(crank: CrankWheel, cams: Triggers['cams'], channels: Samples['channels']): boolean {
  const trace = decodeTrace({ crank, cams }, { rate: 1, channels })
  return 'code' in trace || trace.faults.some(({ code }) => code === 'crank-inverted')
}
