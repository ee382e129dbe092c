import { flag, id, moment, needed, num, oneOf, shape, type Shape, text, whole, word } from '../check'
import type { AnySchema } from 'yup'
import { say } from './says'
import { ALL_FINDINGS } from './conditions'

/** What a reading may say whatever its kind is. */
const said = { id: text(64), by: text(80), at: moment(), note: text(4000) }

const value = num(-1e6, 1e6)

/** What a figure may say beside its value: `sigma` in the kind's unit, the method's default when absent. */
const taken = {
  sigma: num(1e-6, 1e6),
  method: word(40),
  /** Was the drive last turned in its running direction? Not said counts as not known. */
  turnedForward: flag()
}

const onChain = { chain: id().required(needed) }

/** Over how many links, and at which place along the chain, from 1. */
const overLinks = { links: whole(1, 2000).required(needed), place: whole(1, 99) }

/**
 * A reading by its kind: which part it is of stands in the one field that names it (`partField`). Values are in the
 * kind's unit (kinds.ts). The types of readings, the check of files and their JSON Schema come from here.
 */
export const READING_SCHEMAS = {
  /**
   * `notches` showing on the ratchet instead of `value`, or `gap`: mm left at its hole when the removed lifter is
   * pushed home by hand.
   */
  extension: shape({
    kind: oneOf('extension').required(needed),
    tensioner: id().required(needed),
    value,
    notches: whole(0, 1000),
    gap: num(0, 500),
    ...taken,
    ...said
  }).required(say('a-reading')),
  groove: shape({
    kind: oneOf('groove').required(needed),
    rail: id().required(needed),
    value: value.required(needed),
    ...taken,
    ...said
  }).required(say('a-reading')),
  padWear: shape({
    kind: oneOf('padWear').required(needed),
    tensioner: id().required(needed),
    value: value.required(needed),
    ...taken,
    ...said
  }).required(say('a-reading')),
  /** `phaserLocked`: at its rest position? Only `false` widens the reading. */
  camLag: shape({
    kind: oneOf('camLag').required(needed),
    sprocket: id().required(needed),
    value: value.required(needed),
    phaserLocked: flag(),
    ...taken,
    ...said
  }).required(say('a-reading')),
  linkCount: shape({
    kind: oneOf('linkCount').required(needed),
    ...onChain,
    from: id().required(needed),
    to: id().required(needed),
    value: value.required(needed),
    ...taken,
    ...said
  }).required(say('a-reading')),
  chainLength: shape({
    kind: oneOf('chainLength').required(needed),
    ...onChain,
    ...overLinks,
    value: value.required(needed),
    ...taken,
    ...said
  }).required(say('a-reading')),
  chainCompare: shape({
    kind: oneOf('chainCompare').required(needed),
    ...onChain,
    ...overLinks,
    value: value.required(needed),
    ...taken,
    ...said
  }).required(say('a-reading')),
  phaserPlay: shape({
    kind: oneOf('phaserPlay').required(needed),
    phaser: id().required(needed),
    value: value.required(needed),
    ...taken,
    ...said
  }).required(say('a-reading')),
  /** A finding from the closed list; of the engine perhaps at a bank; of pieces with their count. */
  condition: shape({
    kind: oneOf('condition').required(needed),
    target: id().required(needed),
    finding: word(40)
      .required(needed)
      .meta({ jsonSchema: { enum: ALL_FINDINGS } }),
    bank: whole(0, 16),
    count: whole(1, 999),
    /** The figure of a finding that has one (figured.ts), in its unit. */
    value,
    cylinder: whole(1, 64),
    /** Of a code: whose sensor, and the engine's speed (rpm) and temperature (°C) when it was stored. */
    sensor: oneOf('intake', 'exhaust', 'crank'),
    speed: num(0, 30_000),
    temperature: num(-60, 300),
    /** Where pieces were found. */
    where: oneOf('pan', 'pickup', 'filter', 'cover', 'sprocket', 'elsewhere'),
    /** Told by a recording and nobody's ear: it weighs less. */
    heardBy: oneOf('recording'),
    ...said
  }).required(say('a-reading'))
} satisfies Record<string, AnySchema>

export type ReadingKind = keyof typeof READING_SCHEMAS

/** A reading of one kind, as its schema states it. */
export type ReadingOf<K extends ReadingKind> = Shape<(typeof READING_SCHEMAS)[K]>
