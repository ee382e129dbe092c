import {
  CHAIN_OFF_MINUTES,
  isBenchLength,
  methodMinutes,
  methodOf,
  methodSigma,
  type NumericKind,
  partOf,
  type Reading,
  READING_KINDS,
  sheetCount
} from '../readings'
import type { Chain } from '../sheet'
import type { QuestionKind } from './nuisances'
import type { Quantity } from './observation'
import type { Problem } from './trainProblem'
import type { ReadingEstimate } from './types'

/** Links usually laid against a rule or calliper. */
export const BENCH_LINKS = 20

/** A reading that may be taken next, with a method, or a question that may be asked. */
export interface Candidate {
  kind: NumericKind | 'question'
  /** Id of the part; of a question what it asks. */
  target: string
  from?: string
  to?: string
  /** Bank or sprocket that a question is about. */
  of?: string
  method?: string
  /** Was it read so already, and is that reading doubted? */
  again: boolean
  /** Place of its chain in the train. */
  part: number
  quantity: Quantity
  sigma: number
  /** What one tooth on each driven sprocket adds. */
  teeth: number[]
  minutes: number
}

/** Odds of being wrong from which a reading is worth taking again as it was. */
const DOUBTED = 0.1
/** Minutes to ask and be told; of an answer nothing is left open. */
const ASKING = 2
const TOLD_EXACTLY = 0.02

/** Everything that can still be read or asked of a train: kinds with each method that is finer than what was used. */
export function candidatesOf(
  problem: Problem,
  taken: readonly Reading[],
  estimated: readonly ReadingEstimate[]
): Candidate[] {
  const doubted = new Set(estimated.flatMap(({ id, wrong }) => ((wrong ?? 0) >= DOUBTED ? [id] : [])))
  const still = problem.cams.map(() => 0)
  const offer = (thing: Thing): Candidate[] => methodsOf(thing, taken, doubted, problem)
  const all = problem.parts.flatMap(({ chain, model }, part): Candidate[] => [
    ...(model.tensioner === null
      ? []
      : [
          ...offer({
            kind: 'extension',
            target: model.tensioner,
            part,
            quantity: { of: 'extension', part },
            teeth: still
          }),
          ...offer({ kind: 'padWear', target: model.tensioner, part, quantity: { of: 'padWear', part }, teeth: still })
        ]),
    ...problem.cams.flatMap((cam, i) =>
      cam.part === part
        ? offer({
            kind: 'camLag',
            target: cam.id,
            part,
            quantity: { of: 'lag', cam: i },
            teeth: problem.cams.map((c, k) => (k === i || cam.inherits.includes(k) ? c.degreesPerTooth : 0))
          })
        : []
    ),
    ...chain.counts.flatMap(({ from, to }) =>
      offer({
        kind: 'linkCount',
        target: chain.id,
        from,
        to,
        part,
        quantity: { of: 'count', base: sheetCount(chain, from, to) ?? NaN },
        teeth: problem.cams.map((c) => (c.part !== part ? 0 : c.id === from ? 1 : c.id === to ? -1 : 0))
      })
    ),
    ...model.rails.flatMap((id, rail) =>
      offer({ kind: 'groove', target: id, part, quantity: { of: 'wear', part, rail }, teeth: still })
    ),
    ...benchLengths(chain, part).flatMap((thing) => offer({ ...thing, teeth: still }))
  ])
  return [...all, ...questionsOf(problem, still)]
}

type Thing = Omit<Candidate, 'kind' | 'method' | 'sigma' | 'minutes' | 'again'> & { kind: NumericKind }

function benchLengths(chain: Chain, part: number): Omit<Thing, 'teeth'>[] {
  const scale = Math.min(BENCH_LINKS, chain.links) * chain.pitch
  return (['chainLength', 'chainCompare'] as const).map((kind) => ({
    kind,
    target: chain.id,
    part,
    quantity: { of: 'elongation', part, scale, shift: kind === 'chainLength' ? scale : 0 }
  }))
}

/**
 * A thing to read with each method that tells more than those used; with those used where what they said is doubted.
 */
function methodsOf(
  thing: Thing,
  taken: readonly Reading[],
  doubted: ReadonlySet<string | undefined>,
  { parts }: Problem
): Candidate[] {
  const { kind, target } = thing
  const mine = taken.filter((reading) => isOf(thing, reading))
  const finest = Math.min(...mine.map((reading) => reading.sigma ?? methodSigma(kind, methodSaid(reading)) ?? Infinity))
  const again = mine.some(({ id }) => doubted.has(id))
  const usual = mine.map((reading) => methodOf(kind, methodSaid(reading)))
  const { chain } = parts[thing.part]!
  const off =
    (kind === 'chainLength' || kind === 'chainCompare') && !taken.some((r) => isBenchLength(r) && r.chain === chain.id)
  return Object.entries(READING_KINDS[kind].methods).flatMap(([method, sigma]): Candidate[] => {
    const repeats = again && usual.includes(method)
    if (mine.length > 0 && sigma >= finest && !repeats) return []
    const minutes = methodMinutes(kind, method) + (off ? CHAIN_OFF_MINUTES : 0)
    return [{ ...thing, target, method, sigma, minutes, again: repeats }]
  })
}

const methodSaid = (reading: Reading) => (reading.kind === 'condition' ? undefined : reading.method)

function isOf({ kind, target, from, to }: Thing, reading: Reading): boolean {
  if (reading.kind !== kind) return false
  if (reading.kind === 'linkCount') return reading.chain === target && reading.from === from && reading.to === to
  return partOf(reading) === target
}

/** What nobody told of the engine, each to be asked. */
function questionsOf({ nuisances, nuisancesAt, scale }: Problem, teeth: number[]): Candidate[] {
  return nuisances.flatMap(({ question, of }, i): Candidate[] => {
    if (question === null) return []
    const at = nuisancesAt + i
    return [
      {
        kind: 'question',
        target: question satisfies QuestionKind,
        ...(of ? { of } : {}),
        part: 0,
        quantity: { of: 'untold', at },
        sigma: TOLD_EXACTLY * scale[at]!,
        teeth,
        minutes: ASKING,
        again: false
      }
    ]
  })
}
