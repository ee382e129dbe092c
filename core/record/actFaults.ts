import { type Fault, needed, oneOf, schemaFaults, shape } from '../check'
import { impossibleReading, isNumeric, methodSigma, type Reading } from '../readings'
import type { DriveSheet } from '../sheet'
import { type Act, ACTS, type ActType, foldActs, isActType } from './acts'
import type { ActKind, JobBefore } from './acts/define'
import type { AnySchema } from 'yup'
import { faultAt, say } from './says'

export type { JobBefore } from './acts/define'

/** What an act of no known type is held to: it says which types there are. */
const anyType = shape({ type: oneOf(...(Object.keys(ACTS) as ActType[])).required(needed) }).required(say('an-act'))

/** All there is to know of an act's type. */
export function kindOf(type: ActType): ActKind<ActType, AnySchema> {
  return ACTS[type] as unknown as ActKind<ActType, AnySchema>
}

/**
 * What makes an act from outside no act on a job; empty when it can stand. A reading that cannot be true is not its
 * concern. Never throws.
 */
export function actFaults(job: JobBefore, value: unknown, place = ''): Fault[] {
  const type = typeof value === 'object' && value !== null ? (value as { type?: unknown }).type : undefined
  if (!isActType(type)) return typeFaults(value, type, place)
  const structure = schemaFaults(schemaOf(type), value, place)
  if (structure.length > 0) return structure
  return (
    kindOf(type).faults?.(value, {
      ...job,
      at: (field) => (place ? `${place}.${field}` : field),
      comesTo: (acts) => foldActs(acts as readonly Act[], 'on-evidence')
    }) ?? []
  )
}

function typeFaults(value: unknown, type: unknown, place: string): Fault[] {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return [faultAt(place, 'an-act')]
  return schemaFaults(anyType, { type }, place)
}

const schemas = new Map<ActType, AnySchema>()

/** The structure of an act of a type, made once. */
export function schemaOf(type: ActType): AnySchema {
  const schema = schemas.get(type) ?? kindOf(type).schema()
  schemas.set(type, schema)
  return schema
}

/**
 * What is wrong with an act as it is entered: besides its structure, a reading that cannot be true of this drive is
 * refused.
 */
export function entryFaults(job: JobBefore, value: unknown): Fault[] {
  const faults = actFaults(job, value)
  if (faults.length > 0) return faults
  const act = value as Act
  return act.type === 'read' || act.type === 'rebuilt' ? untrueFaults(job.sheet, act.reading) : []
}

function untrueFaults(sheet: DriveSheet, reading: Reading): Fault[] {
  const why = impossibleReading(sheet, reading)
  if (!why) return []
  const unknown =
    isNumeric(reading.kind) && reading.sigma === undefined && methodSigma(reading.kind, reading.method) === null
  return [{ place: unknown ? 'reading.method' : 'reading.value', ...why }]
}
