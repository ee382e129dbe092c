import { NUMERIC_KINDS } from '../readings/kinds'
import { SEVERITY } from '../calls/types'
import type { JsonSchema } from './jsonSchema'

const number: JsonSchema = { type: 'number' }
const text: JsonSchema = { type: 'string' }
const odds: JsonSchema = { type: 'number', minimum: 0, maximum: 1 }
const index: JsonSchema = { type: 'integer', minimum: 0 }
const orNull = (schema: JsonSchema): JsonSchema => ({ anyOf: [schema, { type: 'null' }] })
const list = (items: JsonSchema): JsonSchema => ({ type: 'array', items })
const named = (of: JsonSchema): JsonSchema => ({ type: 'object', additionalProperties: of })

/** An object with exactly these fields; those whose name ends in `?` may be absent. */
function exactly(fields: Record<string, JsonSchema>): JsonSchema {
  const properties = Object.fromEntries(Object.entries(fields).map(([name, schema]) => [name.replace('?', ''), schema]))
  return { type: 'object', properties, required: Object.keys(fields).filter((name) => !name.endsWith('?')), additionalProperties: false }
}

const spread = { mean: number, sd: number, low: number, high: number, overLimit: orNull(odds) }
const reason = exactly({
  rule: text, call: { enum: SEVERITY }, text, readings: list(index),
  limit: orNull(exactly({ kind: text, value: number, unit: text, source: text })),
  'settle?': exactly({ kind: { enum: NUMERIC_KINDS }, target: text }), 'release?': text
})

/** The assessment as JSON Schema. Written by hand, as nothing checks one on the way in; a test holds every output to it. */
export const assessmentSchema: JsonSchema = exactly({
  format: { const: 'umbrette-assessment' }, version: { const: 1 },
  chains: named(exactly({
    elongation: exactly(spread),
    status: exactly({ converged: { type: 'boolean' }, iterations: index, reason: text }),
    readings: list(index),
    places: orNull(exactly({ count: index, mean: number, spread: number, uneven: { type: 'boolean' } }))
  })),
  rails: named(exactly({ wear: exactly(spread) })),
  tensioners: named(exactly({
    extension: exactly({ predicted: number, read: orNull(number), sd: number, overLimit: orNull(odds) }),
    padWear: exactly(spread), budget: list(exactly({ cause: text, mm: number })),
    travelLeft: exactly({ toStroke: number, toLimit: orNull(number) }), slack: number, armAngle: orNull(number)
  })),
  cams: named(exactly({
    chain: text, lag: exactly({ mean: number, sd: number, overLimit: orNull(odds) }), wearLag: number,
    jump: exactly({ teeth: { type: 'integer' }, odds, all: named(odds), told: { type: 'boolean' } }), argument: orNull(text)
  })),
  readings: list(exactly({ index, predicted: orNull(number), residual: orNull(number), sigma: orNull(number), atOdds: { type: 'boolean' } })),
  next: list(exactly({
    kind: { enum: NUMERIC_KINDS }, target: text, 'from?': text, 'to?': text, chain: text, gain: odds,
    narrows: exactly({ from: number, to: number }), settles: list(exactly({ part: text, odds, cut: odds })), minutes: number
  })),
  faults: list(exactly({ index, message: text })),
  calls: list(exactly({ part: text, call: { enum: SEVERITY }, reasons: list(reason) }))
})
