import { byIds, listOf, needed, num, oneOf, sayOfCheck, shape, type Shape, text, whole } from '../check'
import type { Corrections } from '../drive'
import type { DriveSheet } from '../sheet'
import { pricingSchema } from './pricingSchema'
import { say } from './says'
import type { KnownReading } from './ids'

const numbers = (min: number, max: number) =>
  byIds(num(min, max).required(needed), sayOfCheck('numbers-by-id', { min, max }))

export const usageSchema = shape({
  value: num(0, 1e7).required(needed),
  unit: oneOf('km', 'mi', 'h').required(needed)
}).required(needed)

export const schoolSchema = oneOf('whole-set', 'on-evidence', 'weighed').required(needed)

/** How long a chain was at some usage: usage in the job's unit, elongations as fractions. */
const wearPoint = shape({
  usage: num(0, 1e7).required(needed),
  mean: num(-0.01, 0.1).required(needed),
  sd: num(1e-7, 0.1).required(needed)
}).required(needed)

/** Times the default sd that somebody's readings of a kind by a method scatter by, and from how many that is known. */
const personsError = shape({
  by: text(80).required(needed),
  /** Kind and method, as handMethodOf has them. */
  what: text(80).required(needed),
  times: num(0.1, 10).required(needed),
  readings: whole(0, 1e6).required(needed)
}).required(needed)

/** Scales of stretch (fraction), wear and as-new scatter (mm, crank degrees) of a type of engine, as far as learnt. */
export const learntFigureFields = {
  /** How many engines it was learnt from. */
  engines: whole(0, 1e6).required(needed),
  elongation: num(1e-5, 0.05),
  wear: num(0.01, 10),
  padWear: num(0.01, 10),
  extensionScatter: num(0.01, 10),
  lagScatter: num(0.01, 20)
}

/**
 * What a workshop has learnt of a type of engine from its own finished jobs, in place of the defaults, and people's
 * real errors by kind and method.
 */
export const learntPriorsSchema = shape({
  ...learntFigureFields,
  /** How many of the engines were other workshops'. */
  others: whole(0, 1e6),
  people: listOf(personsError, 2000)
})

export type LearntPriors = NonNullable<Shape<typeof learntPriorsSchema>>

/** What is known of an engine beside a job's readings. */
export const earlierKnownFields = {
  /** What the workshop had learnt of this type of engine when the job was opened: it is judged under that. */
  priors: learntPriorsSchema,
  /** Usage at which a component was fitted, by id; absent for one that came with the engine. */
  fitted: numbers(0, 1e7),
  /** Usage from now over which coming back counts. */
  horizon: num(0, 1e7),
  /** What paths are priced with, where it is not the sheet's and the defaults. */
  pricing: pricingSchema,
  /** Earlier estimates of the same chains, by id, from jobs on this engine. */
  history: byIds(listOf(wearPoint, 500).required(needed), say('wear-points'))
}
export const earlierKnownSchema = shape(earlierKnownFields)

export type School = Shape<typeof schoolSchema>

export type Usage = Shape<typeof usageSchema>

export type UsageUnit = Usage['unit']

/** What is known of an engine beside this job's readings. */
export type EarlierKnown = NonNullable<Shape<typeof earlierKnownSchema>>

/** How long a chain was at some usage. */
export type WearPoint = NonNullable<EarlierKnown['history']>[string][number]

/**
 * What the core needs of a job to assess it: the sheet, the readings that stand, each with its id, and under which
 * school.
 */
export type JobFile = EarlierKnown & {
  readonly format: 'umbrette-job'
  readonly version: 1
  readonly drive: DriveSheet
  readonly usage: Usage
  readonly school: School
  readonly corrections?: Corrections | undefined
  readonly readings: readonly KnownReading[]
}
