import type { CrankWheel } from './types'

/** A crank followed tooth by tooth. */
export interface CrankTrack {
  /** Times (samples) of teeth, and the crank angle of each, counted on over all turns, degrees. */
  times: Float64Array
  angles: Float64Array
  /** Stretches without a fault, from one tooth's place to another's. */
  spans: [from: number, to: number][]
  turns: number
  /** How many times a turn the wheel looks the same: 1, unless its gaps repeat. */
  alike: number
  /** Turns that did not have their teeth. */
  left: number
}

/** Teeth of a wheel that are there, in order, and how many steps each is from the one before. */
function wheelSteps({ teeth, gaps }: CrankWheel): { present: number[]; steps: number[] } {
  const missing = new Set(gaps)
  const present = [...Array(teeth).keys()].filter((tooth) => !missing.has(tooth))
  const steps = present.map((tooth, i) => {
    const before = present[(i + present.length - 1) % present.length]!
    return (((tooth - before) % teeth) + teeth) % teeth || teeth
  })
  return { present, steps }
}

/** How far an interval may be from whole steps of the wheel, as a share of a step. */
const STEP_OFF = 0.34
/** Teeth over which the length of a step is followed. */
const FOLLOWED = 7

/**
 * Follows the teeth of a wheel by the pattern of its gaps: a turn that does not have its teeth is left out and counted.
 * @param edges times of leading edges, samples
 * @returns null where the pattern is nowhere to be found
 */
export function followCrank(edges: readonly number[], wheel: CrankWheel): CrankTrack | null {
  const { present, steps } = wheelSteps(wheel)
  const n = present.length
  const counted = stepsBetween(edges, Math.max(...steps))
  const times: number[] = []
  const angles: number[] = []
  const spans: [number, number][] = []
  let [at, turn, left] = [1, 0, 0]
  while (at + n <= counted.length) {
    const place = findPlace(counted, at, steps)
    if (place === null) {
      at++
      continue
    }
    // From here the teeth are followed for as long as they fit.
    let [k, tooth] = [at, place]
    const from = times.length
    const put = (edge: number, index: number) => {
      times.push(edges[edge]!)
      angles.push(wheel.first + 360 * turn + (360 * present[index]!) / wheel.teeth)
    }
    put(k - 1, (tooth + n - 1) % n)
    if (tooth === 0) turn++
    for (; k < counted.length && counted[k] === steps[tooth]; k++) {
      put(k, tooth)
      tooth = (tooth + 1) % n
      if (tooth === 0) turn++
    }
    spans.push([from, times.length - 1])
    if (k < counted.length) left++
    turn += 2
    at = k + 1
  }
  if (spans.length === 0) return null
  const turns = spans.reduce((sum, [from, to]) => sum + (angles[to]! - angles[from]!) / 360, 0)
  return {
    times: Float64Array.from(times),
    angles: Float64Array.from(angles),
    spans,
    turns,
    alike: alikeIn(steps),
    left
  }
}

/** Steps of the wheel from each edge to the next; 0 where they are no whole number of steps. */
export function stepsBetween(edges: readonly number[], most: number): number[] {
  const counted = [0]
  const recent: number[] = []
  const early = edges.slice(1, 60).map((edge, i) => edge - edges[i]!)
  let step = [...early].sort((a, b) => a - b)[early.length >> 1] ?? NaN
  for (let i = 1; i < edges.length; i++) {
    const ratio = (edges[i]! - edges[i - 1]!) / step
    const whole = Math.round(ratio)
    const fits = whole >= 1 && whole <= most && Math.abs(ratio - whole) < STEP_OFF * Math.max(1, 0.5 * whole)
    counted.push(fits ? whole : 0)
    if (fits) {
      recent.push((edges[i]! - edges[i - 1]!) / whole)
      if (recent.length > FOLLOWED) recent.shift()
      step = [...recent].sort((a, b) => a - b)[recent.length >> 1]!
    }
  }
  return counted
}

/** The first place of the wheel at which a whole turn from here fits; null where none does. */
function findPlace(counted: readonly number[], at: number, steps: readonly number[]): number | null {
  const n = steps.length
  for (let place = 0; place < n; place++) {
    let fits = true
    for (let k = 0; k < n && fits; k++) fits = counted[at + k] === steps[(place + k) % n]
    if (fits) return place
  }
  return null
}

/**
 * Crank degrees at a time, by the cubic through the four teeth about it; NaN outside the stretches without a fault.
 */
export function angleReader(
  { times, angles, spans }: CrankTrack,
  skip: (angle: number) => boolean
): (time: number) => number {
  const kept = spans.map(([from, to]) => {
    const places = Array.from({ length: to - from + 1 }, (_, i) => from + i).filter((i) => !skip(angles[i]!))
    return { times: places.map((i) => times[i]!), angles: places.map((i) => angles[i]!) }
  })
  return (time) => {
    const span = kept.find(({ times: own }) => own.length >= 4 && time >= own[0]! && time <= own.at(-1)!)
    if (!span) return NaN
    let [low, high] = [0, span.times.length - 1]
    while (high - low > 1) {
      const middle = (low + high) >> 1
      if (span.times[middle]! <= time) low = middle
      else high = middle
    }
    const start = Math.min(Math.max(low - 1, 0), span.times.length - 4)
    let angle = 0
    for (let i = start; i < start + 4; i++) {
      let weight = 1
      for (let k = start; k < start + 4; k++)
        if (k !== i) weight *= (time - span.times[k]!) / (span.times[i]! - span.times[k]!)
      angle += weight * span.angles[i]!
    }
    return angle
  }
}

/** How many times a turn the steps of a wheel repeat. */
function alikeIn(steps: readonly number[]): number {
  const n = steps.length
  for (let by = 1; by < n; by++)
    if (n % by === 0 && steps.every((step, i) => step === steps[(i + by) % n])) return n / by
  return 1
}
