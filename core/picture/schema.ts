import type { AnySchema } from 'yup'
import {
  byIds,
  elsewhere,
  flag,
  formatVersion,
  listOf,
  needed,
  num,
  oneOf,
  pair,
  sayOfCheck,
  shape,
  type Shape,
  text,
  whole
} from '../check'
import { say } from './says'

/** Pixels of the widest picture that is taken in. */
const WIDEST = 100_000
const pixel = () => pair(WIDEST).required(needed)
const teeth = () => whole(6, 400).required(needed)
const pitch = () => num(1, 200).required(needed)
const corner = () => listOf(pixel(), 4).length(4, say('four-corners'))
const rim = (least: number) => listOf(pixel(), 200).min(least, say('points-at-least', { least })).required(needed)

/** What of the picture is known, by its kind. */
export const KNOWN_SCHEMAS = {
  /** Corners by the place of their code, 0 to 3 clockwise from the card's top left, as it is printed. */
  card: shape({
    kind: oneOf('card').required(needed),
    card: oneOf('a6', 'a5').required(needed),
    /** mm that its 100 mm line measures as it is printed. */
    printed: num(50, 200),
    corners: shape({ '0': corner(), '1': corner(), '2': corner(), '3': corner() }).required(needed)
  }).required(say('a-known')),
  known: shape({
    kind: oneOf('known').required(needed),
    a: pixel(),
    b: pixel(),
    mm: num(0.1, 10_000).required(needed)
  }).required(say('a-known')),
  rim: shape({
    kind: oneOf('rim').required(needed),
    teeth: teeth(),
    pitch: pitch(),
    at: oneOf('tips'),
    points: rim(5)
  }).required(say('a-known'))
} satisfies { [kind: string]: AnySchema }

const ends = () => listOf(pixel(), 2).length(2, say('two-ends')).required(needed)

/** What is asked of the picture, by its kind. */
export const MEASURE_SCHEMAS = {
  length: shape({ kind: oneOf('length').required(needed), a: pixel(), b: pixel() }).required(say('a-measure')),
  compare: shape({
    kind: oneOf('compare').required(needed),
    old: ends(),
    new: ends(),
    links: whole(1, 2000).required(needed),
    pitch: pitch()
  }).required(say('a-measure')),
  /** A mark on a sprocket against its pointer. */
  angle: shape({
    kind: oneOf('angle').required(needed),
    teeth: teeth(),
    pitch: pitch(),
    at: oneOf('tips'),
    rim: rim(5),
    mark: pixel(),
    pointer: pixel()
  }).required(say('a-measure')),
  layout: shape({
    kind: oneOf('layout').required(needed),
    sprockets: byIds(
      shape({ teeth: teeth(), pitch: pitch(), at: oneOf('tips'), side: oneOf('back'), rim: rim(3) }).required(needed),
      sayOfCheck('values-by-id')
    ).required(needed),
    /** Curves of shoes, tapped on pins of the chain that lies on them; `side`: which side of the loop they are on. */
    shoes: byIds(
      shape({ points: rim(3), side: oneOf('inside', 'outside') }).required(needed),
      sayOfCheck('values-by-id')
    ),
    /** Chains that have to close round sprockets and shoes, in the order in which they meet them. */
    chains: listOf(
      shape({
        links: whole(8, 2000).required(needed),
        pitch: pitch(),
        path: listOf(text(64).required(needed), 40)
          .min(2, say('points-at-least', { least: 2 }))
          .required(needed),
        /** Has it run? Then it is longer than new by what nobody knows. */
        ran: flag()
      }).required(needed),
      20
    ),
    points: byIds(pixel(), sayOfCheck('values-by-id'))
  }).required(say('a-measure'))
} satisfies { [kind: string]: AnySchema }

/** The head of a file of measurements; its lists are checked item by item, by their kind. */
export const measureSchema = shape({
  format: oneOf('umbrette-picture').required(needed),
  version: formatVersion(1),
  size: pair(WIDEST).required(needed),
  focal: num(10, 1e6),
  behind: num(-500, 500),
  tap: num(0.01, 100),
  plane: listOf(elsewhere<Known>().required(needed), 20).required(needed),
  measure: listOf(elsewhere<Measure>().required(needed), 200).required(needed)
}).required(say('a-file'))

export type Known = { [K in keyof typeof KNOWN_SCHEMAS]: Shape<(typeof KNOWN_SCHEMAS)[K]> }[keyof typeof KNOWN_SCHEMAS]
export type Measure = {
  [K in keyof typeof MEASURE_SCHEMAS]: Shape<(typeof MEASURE_SCHEMAS)[K]>
}[keyof typeof MEASURE_SCHEMAS]

/** What is known of a picture, and what is to be measured on it. Pixels from its top left, y down; mm. */
export type MeasureFile = Shape<typeof measureSchema>

/**
 * A line drawn along a chain from mark to mark, px; what is known of it: px from link to link, or links that there
 * should be.
 */
export const lineSchema = shape({
  line: listOf(pixel(), 200)
    .min(2, say('points-at-least', { least: 2 }))
    .required(needed),
  pitch: num(2, 2000),
  links: num(1, 400)
}).required(say('a-line'))

export type LineFile = Shape<typeof lineSchema>
