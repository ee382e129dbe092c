import type { AnySchema, InferType, MixedSchema } from 'yup'
import {
  byIds,
  figuresShape,
  flag,
  listOf,
  needed,
  num,
  oneOf,
  sayOfCheck,
  shape,
  type Shape,
  text,
  whole,
  word
} from '../check'
import { NUMERIC_KINDS } from '../readings'
import { WRONG_WAYS } from './ways'

/**
 * What an assessment says of the drive itself. Elongations are fractions, other lengths mm, angles crank degrees, odds
 * 0 to 1.
 */

export const MOST_READINGS = 5000
export const figure = () => num(-1e9, 1e9).required(needed)
const odds = () => num(0, 1).required(needed)
export const orNull = <S extends AnySchema>(schema: S) =>
  schema.nullable().defined(needed) as unknown as MixedSchema<NonNullable<InferType<S>> | null>
const named = <S extends AnySchema>(of: S) => byIds(of, sayOfCheck('values-by-id')).required(needed)
/** Characters of a reading's id, one that was numbered among them. */
const MOST_ID = 80
export const ids = () => listOf(text(MOST_ID).required(needed), MOST_READINGS).required(needed)
/** What is said, as a code with its figures. */
export const said = { code: word(64).required(needed), figures: figuresShape() }

/** Mean, sd, and the 5 and 95 % quantiles; `overLimit` null where the sheet has no limit. */
const spread = shape({
  mean: figure(),
  sd: figure(),
  low: figure(),
  high: figure(),
  overLimit: orNull(num(0, 1))
}).required(needed)

/** What a figure's doubt is made of: how much of its sd would go if this alone were known, in the figure's unit. */
const made = listOf(
  shape({
    cause: oneOf(
      'skim',
      'temperature',
      'offsetKeys',
      'bend',
      'hand',
      'elongation',
      'wear',
      'padWear',
      'scatter'
    ).required(needed),
    /** Bank, sprocket, person, rail or tensioner; may be empty. */
    of: text(80).defined(needed),
    sd: figure()
  }).required(needed),
  20
)

const chain = shape({
  elongation: spread,
  made,
  /** `moved`: how far the last step went, in prior widths. */
  status: shape({
    converged: flag().required(needed),
    iterations: whole(0, 1e6).required(needed),
    moved: figure()
  }).required(needed),
  /** Ids of the readings that bear on the chain. */
  readings: ids(),
  /** Bench lengths at several places, compared; null where it was not measured so. */
  places: orNull(
    shape({ count: whole(0, 99).required(needed), mean: figure(), spread: figure(), uneven: flag().required(needed) })
  )
}).required(needed)

const tensioner = shape({
  /**
   * `predicted` from the wears alone, `read` the weighted mean of the readings or null, `sd` of the extension as it
   * stands.
   */
  extension: shape({
    predicted: figure(),
    read: orNull(num(-1e9, 1e9)),
    sd: figure(),
    overLimit: orNull(num(0, 1))
  }).required(needed),
  padWear: spread,
  budget: listOf(shape({ cause: text(64).required(needed), mm: figure() }).required(needed), 200).required(needed),
  /** `toLimit` null where the sheet has no limit. */
  travelLeft: shape({ toStroke: figure(), toLimit: orNull(num(-1e9, 1e9)) }).required(needed),
  /** mm of chain the arm cannot take up. */
  slack: figure(),
  /** degrees; null on a counted sheet. */
  armAngle: orNull(num(-1e9, 1e9))
}).required(needed)

const cam = shape({
  chain: text(64).required(needed),
  /** + = retarded, jump included. */
  lag: shape({ mean: figure(), sd: figure(), overLimit: orNull(num(0, 1)) }).required(needed),
  made,
  /** What wear alone accounts for. */
  wearLag: figure(),
  /** `told`: does any reading bear on a jump of this cam? Else the odds are the prior's. */
  jump: shape({
    teeth: whole(-99, 99).required(needed),
    odds: odds(),
    all: named(num(0, 1).required(needed)),
    told: flag().required(needed)
  }).required(needed),
  /** Does it sit otherwise on its shaft than it was set? By how much then; null where nothing was read on it. */
  moved: shape({ odds: odds(), by: figure() }).nullable(),
  /** What follows from the lag's direction; null where nothing does. */
  argument: orNull(shape(said))
}).required(needed)

const reading = shape({
  id: text(MOST_ID).required(needed),
  /** In the reading's unit; null for a reading outside the model. */
  predicted: orNull(num(-1e9, 1e9)),
  /** (value − predicted)/sigma. */
  residual: orNull(num(-1e9, 1e9)),
  sigma: orNull(num(0, 1e9)),
  /** Odds that it was taken wrongly; null for a reading outside the model. */
  wrong: orNull(num(0, 1)),
  /** The likeliest way, and what should have been read then, in its unit; null where it is hardly wrong. */
  wrongAs: orNull(oneOf(...WRONG_WAYS)),
  wouldRead: orNull(num(-1e9, 1e9)),
  /** Is it wrong, most likely, or one of several of which some are? */
  atOdds: flag().required(needed)
}).required(needed)

/** A reading not yet taken, or a question not yet asked, and what it would be worth. */
const nextReading = shape({
  kind: oneOf(...NUMERIC_KINDS, 'question').required(needed),
  /** Id of the part it is read on; a count's is its chain; of a question `skim`, `temperature` or `offsetKeys`. */
  target: text(64).required(needed),
  /** linkCount: the run. */
  from: text(64),
  to: text(64),
  /** Bank or sprocket that a question is about. */
  of: text(64),
  method: word(40),
  /** Was it read by that method already, and is that reading doubted? */
  again: flag(),
  chain: text(64).required(needed),
  /** How much of what deciding now is expected to cost it would save, 0 to 1. */
  gain: odds(),
  /** The same in the job's money, or in equal units where the sheet has no prices. */
  worth: num(0, 1e12),
  /** sd of the chain's elongation as it is, and as it would be. */
  narrows: shape({ from: figure(), to: figure() }).required(needed),
  /**
   * Undecided calls it would bear on: odds that the part is past its limit (or has jumped), and the fraction of what
   * deciding now costs there that it would take away.
   */
  settles: listOf(
    shape({
      part: text(64).required(needed),
      odds: odds(),
      cut: odds(),
      /** What it would save there, as `worth` has it. */
      saved: num(0, 1e12)
    }).required(needed),
    500
  ).required(needed),
  minutes: figure()
}).required(needed)

/** The estimate's part of an assessment. */
export const estimateFields = {
  chains: named(chain),
  rails: named(shape({ wear: spread }).required(needed)),
  tensioners: named(tensioner),
  cams: named(cam),
  readings: listOf(reading, MOST_READINGS).required(needed),
  next: listOf(nextReading, 2000).required(needed),
  /** What deciding now is expected to cost, in the job's money or in equal units. */
  loss: num(0, 1e12),
  /** Readings that were left out, and why. */
  faults: listOf(shape({ id: text(MOST_ID).required(needed), ...said }).required(needed), 2 * MOST_READINGS).required(
    needed
  )
}

export const estimatesSchema = shape(estimateFields).required(needed)

/** What all readings of a job say together, by part. */
export type Estimates = Shape<typeof estimatesSchema>
