import { type Corrections, extensionCurve, type Guess, isCharted } from '../drive'
import { type HalfNormals, REFERENCE_TEMPERATURE } from '../math'
import { type Chain, compileSheet, type DriveSheet } from '../sheet'
import { HALF_NORMAL, type Priors } from './priors'

/** What can be asked of an engine: was a face machined, was it warm when it was read, is a key an offset one? */
export type QuestionKind = 'skim' | 'temperature' | 'offsetKeys'

/** Something about an engine that nobody has told, and that shifts what is read: an unknown of its own. */
export interface Nuisance {
  /** Null for what nobody can answer: how a counted chain's extension bends off. */
  question: QuestionKind | null
  /** Bank, sprocket or chain; empty for the temperature. */
  of: string
  /** Prior scale: mm, K or crank degrees. */
  scale: number
  /** Null for one that goes either way. */
  prior: HalfNormals | null
  /** Its step for differences, in its own unit. */
  step: number
}

/**
 * Of faces that nobody tells of, in scales of the prior: many were never machined, the others by more than is usual of
 * all of them together, so that neither a machined head nor one as it came lies outside of what is believed.
 */
const FACES: HalfNormals = [
  { weight: 0.4, scale: 0.1 },
  { weight: 0.6, scale: 1.6 }
]

/**
 * The open questions of a train. A counted sheet has no lengths for a machined face or heat to act on: what it does not
 * know of them stands in the spread of its model.
 */
export function openQuestions(
  sheet: DriveSheet,
  chains: readonly Chain[],
  { skim, temperature, offsetKeys }: Corrections,
  { untold }: Priors
): Nuisance[] {
  const charted = chains.filter((chain) => isCharted(sheet, chain))
  const ids = new Set(chains.flatMap(({ path }) => path))
  const mine = sheet.sprockets.filter(({ id }) => ids.has(id))
  const moved = new Set(charted.flatMap(({ path }) => path))
  const banks = new Set(mine.flatMap(({ id, bank }) => (bank === undefined || !moved.has(id) ? [] : [String(bank)])))
  return [
    ...(skim
      ? []
      : [...banks].map((of) => ({ question: 'skim' as const, of, scale: untold.skim, step: 0.02, prior: FACES }))),
    ...(temperature || charted.length === 0
      ? []
      : [{ question: 'temperature' as const, of: '', scale: untold.heat, step: 4, prior: HALF_NORMAL }]),
    ...(offsetKeys
      ? []
      : mine.flatMap(({ id, offsetKey }) =>
          offsetKey
            ? [
                {
                  question: 'offsetKeys' as const,
                  of: id,
                  scale: Math.abs(offsetKey) * Math.sqrt(untold.key),
                  prior: null,
                  step: 1
                }
              ]
            : []
        )),
    ...chains.flatMap((chain) => {
      const tensioner = compileSheet(sheet).tensionerOf(chain.id)
      return isCharted(sheet, chain) || !tensioner || extensionCurve(sheet, chain, tensioner).bend !== null
        ? []
        : [{ question: null, of: chain.id, scale: BEND, prior: HALF_NORMAL, step: 0.05 }]
    })
  ]
}

/** Half-normal scale of how much steeper than its chord an extension starts: arms turn out of the plunger's line. */
const BEND = 0.35

/** Corrections as they are known, with what is guessed of the rest. */
export function guessedCorrections(
  known: Corrections,
  nuisances: readonly Nuisance[],
  values: readonly number[]
): Guess {
  const bend: Record<string, number> = {}
  const skim: Record<string, number> = { ...known.skim }
  let { temperature } = known
  nuisances.forEach(({ question, of }, i) => {
    const value = values[i]!
    if (question === null) bend[of] = value
    if (question === 'skim') skim[of] = value
    if (question === 'temperature') temperature = { celsius: REFERENCE_TEMPERATURE + value, block: 'aluminium' }
  })
  return { ...known, skim, bend, ...(temperature ? { temperature } : {}) }
}
