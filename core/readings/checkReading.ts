import { type Fault, needed, oneOf, schemaFaults, shape } from '../check'
import { camsOf, drivenSprockets } from '../drive'
import { compileSheet, partKindOf, type DriveSheet } from '../sheet'
import { COUNTED_FINDINGS, FINDINGS, isFinding } from './conditions'
import { figureOf } from './figured'
import { partField, partOf } from './partOf'
import { READING_SCHEMAS } from './schema'
import type { Of, Reading, ReadingKind } from './types'
import { faultAt, say } from './says'

/** What a reading of no known kind is held to: it says which kinds there are. */
const anyKind = shape({ kind: oneOf(...(Object.keys(READING_SCHEMAS) as ReadingKind[])).required(needed) }).required(
  say('a-reading')
)

/**
 * What makes a reading no reading of this drive: structure, an unknown kind, a target that the sheet does not have.
 * A job file with such a reading is faulty as a whole.
 */
export function readingStructureFaults(sheet: DriveSheet, value: unknown, place = ''): Fault[] {
  const faults = readingFaults(value, place)
  return faults.length > 0 ? faults : readingTargetFaults(sheet, value as Reading, place)
}

/** What is wrong with the structure of a reading of any kind, whatever drive it is of. */
export function readingFaults(value: unknown, place = ''): Fault[] {
  const kind = typeof value === 'object' && value !== null ? (value as { kind?: unknown }).kind : undefined
  if (typeof kind !== 'string' || !Object.hasOwn(READING_SCHEMAS, kind)) return kindFaults(value, kind, place)
  const faults = schemaFaults(READING_SCHEMAS[kind as ReadingKind], value, place)
  if (faults.length > 0 || kind !== 'extension') return faults
  const { value: figure, notches, gap } = value as Of<'extension'>
  return figure === undefined && notches === undefined && gap === undefined
    ? [faultAt(place ? `${place}.value` : 'value', 'figure-missing')]
    : []
}

function kindFaults(value: unknown, kind: unknown, place: string): Fault[] {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return [faultAt(place, 'a-reading')]
  return schemaFaults(anyKind, { kind }, place)
}

/** What makes a reading of sound structure no reading of this drive: a target that the sheet does not have. */
export function readingTargetFaults(sheet: DriveSheet, reading: Reading, place = ''): Fault[] {
  const at = (field: string) => (place ? `${place}.${field}` : field)
  if (reading.kind === 'condition') return conditionFaults(sheet, reading, at)
  if (reading.kind === 'linkCount') return runFaults(sheet, reading, at)
  const field = partField(reading.kind)
  const part = partOf(reading)
  const known =
    field === 'sprocket'
      ? sheet.chains.some((chain) => camsOf(sheet, chain).includes(part))
      : sheet[`${field as 'chain'}s`].some(({ id }) => id === part)
  return known ? [] : [faultAt(at(field), 'no-part-of-kind', { id: part, field })]
}

/**
 * A finding must be of a part of this drive (or oil, fasteners, engine) and on the closed list of that kind of part.
 */
function conditionFaults(
  sheet: DriveSheet,
  { target, finding, count, value, cylinder }: Of<'condition'>,
  at: (field: string) => string
): Fault[] {
  const kind = partKindOf(sheet, target)
  if (!kind) return [faultAt(at('target'), 'no-target', { id: target })]
  if (!isFinding(kind, finding))
    return [faultAt(at('finding'), 'no-finding', { finding, kind, expected: FINDINGS[kind] })]
  if (count === undefined && COUNTED_FINDINGS.includes(finding)) return [faultAt(at('count'), 'pieces-missing')]
  return figureFaults(sheet, { finding, value, cylinder }, at)
}

/** The figure of a finding must be there where it is nothing without, and nowhere where it has none. */
function figureFaults(
  sheet: DriveSheet,
  { finding, value, cylinder }: Pick<Of<'condition'>, 'finding' | 'value' | 'cylinder'>,
  at: (field: string) => string
): Fault[] {
  const spec = figureOf(finding)
  if (!spec) return value === undefined ? [] : [faultAt(at('value'), 'no-figure', { finding })]
  if (value === undefined)
    return spec.needed ? [faultAt(at('value'), 'finding-figure', { finding, unit: spec.unit })] : []
  const [least, greatest] = spec.range
  if (value < least || value > greatest)
    return [faultAt(at('value'), 'figure-range', { least, greatest, unit: spec.unit })]
  const { cylinders } = sheet.engine
  return spec.perCylinder && (cylinder === undefined || cylinder > cylinders)
    ? [faultAt(at('cylinder'), 'which-cylinder', { cylinders })]
    : []
}

/** A run goes between two different sprockets of its chain. */
function runFaults(
  sheet: DriveSheet,
  { chain: id, from, to }: Of<'linkCount'>,
  at: (field: string) => string
): Fault[] {
  const chain = compileSheet(sheet).chains.get(id)
  if (!chain) return [faultAt(at('chain'), 'no-chain-of-drive', { id })]
  const lying = [chain.driver, ...drivenSprockets(sheet, chain)]
  const strangers = (
    [
      ['from', from],
      ['to', to]
    ] as const
  ).filter(([, sprocket]) => !lying.includes(sprocket))
  if (strangers.length > 0)
    return strangers.map(([field, sprocket]) => faultAt(at(field), 'no-sprocket-of-chain', { id: sprocket, chain: id }))
  return from === to ? [faultAt(at('to'), 'another-sprocket')] : []
}
