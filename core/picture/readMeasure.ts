import type { AnySchema } from 'yup'
import { type Fault, faultsOfEach, schemaFaults } from '../check'
import { faultAt } from './says'
import { KNOWN_SCHEMAS, type LineFile, lineSchema, MEASURE_SCHEMAS, type MeasureFile, measureSchema } from './schema'

/**
 * A file of measurements from outside, checked once; or what is wrong with it, each fault with its place. Never
 * throws.
 */
export function readMeasure(value: unknown): { file: MeasureFile; faults: [] } | { file: null; faults: Fault[] } {
  const faults = schemaFaults(measureSchema, value)
  if (faults.length > 0) return { file: null, faults }
  const file = value as MeasureFile
  const rest = [
    ...(Math.min(...file.size) >= 1 ? [] : [faultAt('size', 'size-positive')]),
    ...byKind(KNOWN_SCHEMAS, file.plane, 'plane'),
    ...byKind(MEASURE_SCHEMAS, file.measure, 'measure')
  ]
  return rest.length > 0 ? { file: null, faults: rest } : { file, faults: [] }
}

function byKind(schemas: { readonly [kind: string]: AnySchema }, list: readonly unknown[], place: string): Fault[] {
  return faultsOfEach(list as unknown[], (one, i): Fault[] => {
    const kind = typeof one === 'object' && one !== null ? (one as { kind?: unknown }).kind : undefined
    if (typeof kind !== 'string' || !Object.hasOwn(schemas, kind))
      return [faultAt(`${place}[${i}].kind`, 'one-of-kinds', { kinds: Object.keys(schemas) })]
    return schemaFaults(schemas[kind]!, one, `${place}[${i}]`)
  })
}

/** A line along a chain from outside, checked once. Never throws. */
export function readLine(value: unknown): { line: LineFile; faults: [] } | { line: null; faults: Fault[] } {
  // A bare list of points is a line too.
  const file: unknown = Array.isArray(value) ? { line: value as unknown[] } : value
  const faults = schemaFaults(lineSchema, file)
  return faults.length > 0 ? { line: null, faults } : { line: file as LineFile, faults: [] }
}
