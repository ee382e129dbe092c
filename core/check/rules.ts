import { array, boolean, mixed, number, object, string, tuple, ValidationError, type AnySchema } from 'yup'
import type { Fault } from '../sheet/types'

/** Yup rules with one wording for every check of outside data, in core and server alike. Nothing is converted: text is no number. */

export const needed = 'is missing'

export const num = (min: number, max: number) => {
  const message = `expected a number from ${min} to ${max}`
  return number().typeError(message).min(min, message).max(max, message).test('finite', message, (v) => v === undefined || v === null || Number.isFinite(v))
}

export const whole = (min: number, max: number) => num(min, max).integer(`expected a whole number from ${min} to ${max}`)

export const text = (max: number) => string().typeError('expected text').max(max, `expected at most ${max} characters`)

/** Text with something in it besides space. */
export const words = (max: number, message = needed) => text(max).required(needed).matches(/\S/, message)

/** The page of a list, from 0, as it stands in an address. */
export const pageAsked = () => text(6).matches(/^\d+$/, 'expected a whole number from 0')

export const id = () => text(64).matches(/^[\w.-]+$/, 'expected an id of letters, digits, dots and dashes')

export const flag = () => boolean().typeError('expected true or false')

export const oneOf = <T extends string>(...values: T[]) => mixed<T>().oneOf(values, `expected ${values.join(' or ')}`)

export const listOf = <T extends AnySchema>(of: T, max: number) =>
  array().of(of).typeError('expected a list').max(max, `expected at most ${max} entries`)

export const pair = () => tuple([num(-10_000, 10_000).required('expected a number'), num(-10_000, 10_000).required('expected a number')]).typeError('expected two numbers')

export const shape = <T extends Record<string, AnySchema>>(fields: T) => object(fields).typeError('expected an object').default(undefined)

/** Values of one shape, named by ids: `{ "arm": 1.2 }`. */
export const byIds = (of: AnySchema, message: string) =>
  object().default(undefined).typeError('expected an object')
    .test('values', message, (value) => !value || Object.values(value).every((one) => of.isValidSync(one, { strict: true })))
    .meta({ valuesOf: of })

/** The version of a file's format that this program reads; another is refused in plain words. */
export const formatVersion = (current: number) =>
  mixed<number>().required(needed).test('version', ({ value }: { value: unknown }) => versionMessage(value, current), (value) => value === undefined || value === current).meta({ jsonSchema: { const: current } })

function versionMessage(value: unknown, current: number): string {
  const newer = typeof value === 'number' && value > current
  return newer ? `is ${value}, newer than this program reads: expected ${current}. Update Umbrette, or export the file as version ${current}` : `expected ${current}`
}

/** What is wrong with a value under a schema, each with its place; empty when it fits. */
export function schemaFaults(schema: AnySchema, value: unknown, at = ''): Fault[] {
  try {
    schema.validateSync(value, { strict: true, abortEarly: false })
    return []
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error
    const all = error.inner.length ? error.inner : [error]
    const seen = new Map<string, Fault>()
    for (const { path, message } of all) {
      const place = [at, path].filter(Boolean).join('.').replaceAll('.[', '[')
      if (!seen.has(place)) seen.set(place, { place, message })
    }
    return [...seen.values()]
  }
}
