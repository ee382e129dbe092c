import { chainModel } from '../../core/drive'
import { PRIORS, type Stakes } from '../../core/estimate'
import { waysOf } from '../../core/estimate/ways'
import {
  CHAIN_OFF_MINUTES,
  isBenchLength,
  type JobFile,
  type KnownReading,
  methodMinutes,
  type NumericKind,
  partOf,
  READING_KINDS,
  readingSigma
} from '../../core/readings'
import { OF_ITSELF } from '../../core/paths/assess'
import { randomness, type Roll } from '../../core/math'
import { type Chain, compileSheet, type DriveSheet } from '../../core/sheet'

/**
 * What a reading saves, found without any of the estimate: thousands of drives drawn from what is believed, weighed by
 * what was read, each of them shown every reading that may come next. For drives of one chain with everything answered.
 */

/** A drive as it may be, and how likely what was read makes it. */
interface Particle {
  weight: number
  elongation: number
  wear: number[]
  pad: number
  extension: number
  lag: number[]
  teeth: number[]
}

export interface Tried {
  kind: NumericKind
  target: string
  from?: string
  to?: string
  method: string
  minutes: number
  worth: number
}

interface Decided {
  part: string
  stake: { renewed: number; kept: number }
  past: Uint8Array
}

const DRAWN = 6000
const KEPT = 700
const SHOWN = 250

/** @param decided parts that nothing need be known of any more: they are condemned */
export function tryEverything(
  job: JobFile,
  stakes: Stakes,
  seed: number,
  decided: ReadonlySet<string> = new Set()
): Tried[] {
  const { drive } = job
  const chain = drive.chains[0]!
  const roll = randomness(seed)
  const particles = resample(drawAll(job, chain, roll), roll)
  const decisions = decide(drive, chain, particles, stakes).filter(({ part }) => !decided.has(part))
  const weights = new Float64Array(particles.length).fill(1 / particles.length)
  const now = loss(decisions, weights)
  const open = candidates(job, chain).filter(({ kind, target }) => !OF_ITSELF.has(kind) || !decided.has(target))
  return open.map((one) => {
    const exact = particles.map((particle) => shows(drive, chain, particle, one))
    const sigma = READING_KINDS[one.kind].methods[one.method]!
    let after = 0
    for (let k = 0; k < SHOWN; k++) {
      const value = exact[roll.below(exact.length)]! + roll.normal(sigma)
      let total = 0
      for (let i = 0; i < exact.length; i++) {
        weights[i] = Math.exp(-(((value - exact[i]!) / sigma) ** 2) / 2)
        total += weights[i]!
      }
      for (let i = 0; i < exact.length; i++) weights[i]! /= total
      after += loss(decisions, weights) / SHOWN
    }
    return { ...one, worth: Math.max(0, now - after) }
  })
}

function drawAll(job: JobFile, chain: Chain, roll: Roll): Particle[] {
  const model = chainModel(job.drive, chain)
  const near =
    model.readout({ elongation: 0.003, wear: model.rails.map(() => 0.3), padWear: 0.2 }).armAngle ?? undefined
  const tailed = (scale: number, { share, times }: { share: number; times: number }) =>
    Math.abs(roll.normal(scale * (roll.chance(share) ? times : 1)))
  return Array.from({ length: DRAWN }, (): Particle => {
    const elongation = Math.min(tailed(PRIORS.elongation, PRIORS.tails.elongation), 0.04)
    const wear = model.rails.map(() => tailed(PRIORS.wear, PRIORS.tails.wear))
    const pad = tailed(PRIORS.padWear, PRIORS.tails.padWear)
    const { extension, lag } = model.readout({ elongation, wear, padWear: pad }, near)
    const teeth = model.cams.map(() => drawTeeth(roll))
    const moved = () =>
      roll.chance(PRIORS.moved.odds) ? Math.hypot(PRIORS.lagScatter, PRIORS.moved.sd) : PRIORS.lagScatter
    const particle: Particle = {
      weight: 1,
      elongation,
      wear,
      pad,
      extension: (extension ?? 0) + roll.normal(PRIORS.extensionScatter),
      lag: lag.map((l, i) => l + roll.normal(moved()) + teeth[i]! * model.degreesPerTooth),
      teeth
    }
    for (const reading of job.readings) particle.weight *= likelihood(job.drive, chain, particle, reading)
    return particle
  })
}

function drawTeeth({ uniform }: Roll): number {
  const u = uniform()
  const [still, one, two] = PRIORS.jump
  if (u < still!) return 0
  const tooth = u < still! + 2 * one! ? 1 : u < still! + 2 * one! + 2 * two! ? 2 : 3
  return uniform() < 0.5 ? tooth : -tooth
}

/** Density of a reading, wrong ones with the odds and in the ways that they have. */
function likelihood(drive: DriveSheet, chain: Chain, particle: Particle, reading: KnownReading): number {
  if (reading.kind === 'condition') return 1
  const exact = shows(drive, chain, particle, { ...reading, target: partOf(reading) })
  const sigma = readingSigma(drive, reading) ?? 1
  const normal = (x: number, s: number) => Math.exp(-(((x - exact) / s) ** 2) / 2) / s
  const tooth = 360 / compileSheet(drive).sprocket(chain.driver).teeth
  const value = reading.value ?? 0
  const wrong = PRIORS.wrong.other
  return (
    (1 - wrong) * normal(value, sigma) +
    waysOf(drive, reading, value, tooth).reduce(
      (sum, way) =>
        sum + wrong * way.share * way.times * normal(way.value, way.sigma ?? Math.hypot(sigma * way.times, way.spread)),
      0
    )
  )
}

/** What a drive shows of a thing, without the noise of reading it. */
function shows(
  drive: DriveSheet,
  chain: Chain,
  { elongation, wear, pad, extension, lag, teeth }: Particle,
  { kind, target, from, to }: { kind: string; target: string; from?: string; to?: string }
): number {
  const model = modelOf(drive, chain)
  const jumped = (id: string) => teeth[model.cams.indexOf(id)] ?? 0
  switch (kind) {
    case 'extension':
      return extension
    case 'padWear':
      return pad
    case 'groove':
      return wear[model.rails.indexOf(target)]!
    case 'camLag':
      return lag[model.cams.indexOf(target)]!
    case 'linkCount': {
      const run = chain.counts.find((count) => count.from === from && count.to === to)!
      return run.links + jumped(run.from) - jumped(run.to)
    }
    case 'chainLength':
      return 20 * chain.pitch * (1 + elongation)
    default:
      return 20 * chain.pitch * elongation
  }
}

const models = new WeakMap<DriveSheet, ReturnType<typeof chainModel>>()

function modelOf(drive: DriveSheet, chain: Chain): ReturnType<typeof chainModel> {
  const known = models.get(drive) ?? chainModel(drive, chain)
  models.set(drive, known)
  return known
}

/** Drives alike in weight, each as often as what was read makes it likely. */
function resample(drawn: readonly Particle[], roll: Roll): Particle[] {
  const total = drawn.reduce((sum, { weight }) => sum + weight, 0)
  const step = total / KEPT
  const kept: Particle[] = []
  let [sum, next] = [0, step * roll.uniform()]
  for (const one of drawn) {
    sum += one.weight
    for (; next < sum; next += step) kept.push(one)
  }
  return kept
}

function decide(drive: DriveSheet, chain: Chain, particles: readonly Particle[], stakes: Stakes): Decided[] {
  const { limit, tensionerOf } = compileSheet(drive)
  const model = modelOf(drive, chain)
  const against = (part: string, of: (particle: Particle) => number, value: number | undefined): Decided[] =>
    value === undefined
      ? []
      : [{ part, stake: stakes.of(part, 'wear'), past: Uint8Array.from(particles, (one) => (of(one) > value ? 1 : 0)) }]
  const elongation = limit('elongation', chain.id)
  const tensioner = tensionerOf(chain.id)
  return [
    ...against(chain.id, (one) => one.elongation, elongation ? elongation.value / 100 : undefined),
    ...model.rails.flatMap((id, i) => against(id, (one) => one.wear[i]!, limit('groove', id)?.value)),
    ...(tensioner ? against(tensioner.id, (one) => one.pad, limit('padWear', tensioner.id)?.value) : []),
    ...model.cams.map((id, i): Decided => ({
      part: id,
      stake: stakes.of(id, 'jump'),
      past: Uint8Array.from(particles, (one) => (one.teeth[i] === 0 ? 0 : 1))
    }))
  ]
}

function loss(decisions: readonly Decided[], weights: Float64Array): number {
  return decisions.reduce((sum, { stake, past }) => {
    let odds = 0
    for (let i = 0; i < past.length; i++) odds += weights[i]! * past[i]!
    return sum + Math.min(stake.renewed * (1 - odds), stake.kept * odds)
  }, 0)
}

/** Everything that can still be read, with each method. */
function candidates({ drive, readings }: JobFile, chain: Chain): Omit<Tried, 'worth'>[] {
  const model = modelOf(drive, chain)
  const taken = new Set(readings.map((r) => `${r.kind} ${partOf(r)}${r.kind === 'linkCount' ? r.from : ''}`))
  const off = readings.some(isBenchLength) ? 0 : CHAIN_OFF_MINUTES
  const things: { kind: NumericKind; target: string; from?: string; to?: string }[] = [
    ...(model.tensioner
      ? [
          { kind: 'extension' as const, target: model.tensioner },
          { kind: 'padWear' as const, target: model.tensioner }
        ]
      : []),
    ...model.cams.map((target) => ({ kind: 'camLag' as const, target })),
    ...model.rails.map((target) => ({ kind: 'groove' as const, target })),
    ...chain.counts.map(({ from, to }) => ({ kind: 'linkCount' as const, target: chain.id, from, to })),
    { kind: 'chainLength', target: chain.id },
    { kind: 'chainCompare', target: chain.id }
  ]
  return things
    .filter(({ kind, target, from = '' }) => !taken.has(`${kind} ${target}${from}`))
    .flatMap((thing) =>
      Object.keys(READING_KINDS[thing.kind].methods).map((method) => ({
        ...thing,
        method,
        minutes: methodMinutes(thing.kind, method) + (thing.kind.startsWith('chain') ? off : 0)
      }))
    )
}
