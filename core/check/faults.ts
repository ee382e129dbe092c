import { ValidationError, type AnySchema } from 'yup'
import type { Fault } from './fault'
import type { Message } from './message'
import { faultAt, say } from './says'
import { isWellFormed } from './text'

/** Faults told at the most: who mends these looks again. */
export const MOST_FAULTS = 50

/** Objects and lists in each other: no file of ours goes deeper than 12. */
const DEEPEST = 40
/** Values in all: a job with all that it can hold has a tenth of it. */
const MOST_VALUES = 5_000_000

/**
 * What is wrong with a value under a schema, each with its place; empty when it fits. Never throws, and never looks at
 * more than it must.
 */
export function schemaFaults(schema: AnySchema, value: unknown, at = ''): Fault[] {
  const unbounded = boundFaults(schema, value, at)
  const unfit = unbounded.length > 0 ? unbounded : jsonFaults(value, at)
  return unfit.length > 0 ? distinct(unfit) : ruleFaults(schema, value, at)
}

/**
 * What makes a value nothing that can be kept as JSON: too large, too deep, text that no database holds, `__proto__` as
 * a name.
 * @param value anything that JSON.parse gives
 */
export function jsonFaults(value: unknown, at = ''): Fault[] {
  const faults: Fault[] = []
  const open: { value: unknown; place: string; depth: number }[] = [{ value, place: at, depth: 0 }]
  let seen = 0
  while (open.length > 0 && faults.length < MOST_FAULTS) {
    const { value: one, place, depth } = open.pop()!
    if (typeof one === 'string' && !isWellFormed(one)) faults.push(faultAt(place, 'broken-text'))
    if (typeof one !== 'object' || one === null) continue
    if (depth === DEEPEST) {
      faults.push(faultAt(place, 'too-deep'))
      continue
    }
    const entries = Object.entries(one)
    seen += entries.length
    if (seen > MOST_VALUES) return [faultAt(place, 'too-much')]
    for (const [name, inner] of entries) {
      if (name === '__proto__' || !isWellFormed(name)) faults.push(faultAt(place, 'field-name'))
      else
        open.push({
          value: inner,
          place: Array.isArray(one) ? `${place}[${name}]` : within(place, name),
          depth: depth + 1
        })
    }
  }
  return faults
}

/** Lists that are too long and fields that nobody knows: found before anything in them is looked at. */
function boundFaults(schema: AnySchema, value: unknown, place: string): Fault[] {
  const faults: Fault[] = []
  walk(schema, value, place, faults)
  return faults
}

/** The parts of Yup's schemas that tell what stands in a value. */
interface Structure {
  type: string
  fields?: Record<string, AnySchema>
  innerType?: AnySchema
  spec: { types?: readonly AnySchema[] }
  tests: readonly { OPTIONS?: { name?: string; params?: { max?: number }; message?: unknown } }[]
  resolve(options: { value: unknown }): AnySchema
}

function walk(schema: AnySchema, value: unknown, place: string, faults: Fault[]): void {
  if (typeof value !== 'object' || value === null || faults.length >= MOST_FAULTS) return
  const structure = (schema as unknown as Structure).resolve({ value }) as unknown as Structure
  if (Array.isArray(value)) walkList(structure, value, place, faults)
  else walkFields(structure, value, place, faults)
}

function walkList(
  { type, innerType, spec, tests }: Structure,
  list: readonly unknown[],
  place: string,
  faults: Fault[]
): void {
  const most = tests.find(({ OPTIONS }) => OPTIONS?.name === 'max')?.OPTIONS?.params?.max
  const of = (i: number) => (type === 'array' ? innerType : type === 'tuple' ? spec.types?.[i] : undefined)
  if (type === 'array' && most !== undefined && list.length > most)
    faults.push(faultAt(place, 'list-at-most', { max: most }))
  else
    list.forEach((one, i) => {
      const inner = of(i)
      if (inner) walk(inner, one, `${place}[${i}]`, faults)
    })
}

function walkFields({ type, fields = {} }: Structure, value: object, place: string, faults: Fault[]): void {
  if (type !== 'object' || Object.keys(fields).length === 0) return
  for (const [name, inner] of Object.entries(value)) {
    if (faults.length >= MOST_FAULTS) return
    if (Object.hasOwn(fields, name)) walk(fields[name]!, inner, within(place, name), faults)
    else faults.push(faultAt(within(place, shorten(name)), 'unknown-field'))
  }
}

function ruleFaults(schema: AnySchema, value: unknown, at: string): Fault[] {
  try {
    schema.validateSync(value, { strict: true, abortEarly: false, disableStackTrace: true })
    return []
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error
    const all = error.inner.length ? error.inner : [error]
    return distinct(
      all.map(({ path, message }) => ({
        place: [at, path].filter(Boolean).join('.').replaceAll('.[', '['),
        ...messageOf(message)
      }))
    )
  }
}

/** Every rule has a message of ours; what Yup says by itself is only that a value may not be null. */
function messageOf(message: unknown): Message {
  return typeof message === 'object' && message !== null ? (message as Message) : say('null')
}

/** One fault a place, and no more than anyone mends at once. */
function distinct(faults: readonly Fault[]): Fault[] {
  const seen = new Map<string, Fault>()
  for (const fault of faults) {
    if (seen.size === MOST_FAULTS) break
    if (!seen.has(fault.place)) seen.set(fault.place, fault)
  }
  return [...seen.values()]
}

/**
 * Faults of many entries, one after another until there are enough of them.
 * @param look what is wrong with one entry
 */
export function faultsOfEach<T>(entries: readonly T[], look: (entry: T, index: number) => readonly Fault[]): Fault[] {
  const faults: Fault[] = []
  for (let i = 0; i < entries.length && faults.length < MOST_FAULTS; i++) faults.push(...look(entries[i]!, i))
  return faults.slice(0, MOST_FAULTS)
}

function within(place: string, field: string): string {
  return place ? `${place}.${field}` : field
}

/** Names from outside can be as long as their file. */
function shorten(name: string): string {
  return name.length > 64 ? `${name.slice(0, 64)}…` : name
}
