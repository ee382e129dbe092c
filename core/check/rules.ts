import {
  array,
  boolean,
  mixed,
  number,
  object,
  string,
  tuple,
  type AnyObject,
  type AnySchema,
  type ArraySchema,
  type InferType,
  type MixedSchema,
  type ObjectSchema
} from 'yup'
import type { Figures, FigureValue, Message } from './message'
import { say } from './says'
import { isWellFormed } from './text'

/**
 * Yup rules with one message for every check of outside data, in core and server alike. Nothing is converted: text is
 * no number.
 */

/** What a schema describes, its lists read-only: the type of a value that passed it. */
export type Shape<S extends AnySchema> = Frozen<InferType<S>>

type Frozen<T> = T extends object ? { readonly [K in keyof T]: Frozen<T[K]> } : T

/** The type of a value of which later code may change fields, but no list. */
export type Open<T> = T extends readonly unknown[] ? T : T extends object ? { -readonly [K in keyof T]: Open<T[K]> } : T

export const needed = say('missing')

export const num = (min: number, max: number) => {
  const message = say('number-between', { min, max })
  return number()
    .typeError(message)
    .min(min, message)
    .max(max, message)
    .test('finite', message, (v) => v === undefined || v === null || Number.isFinite(v))
}

export const whole = (min: number, max: number) => num(min, max).integer(say('whole-between', { min, max }))

/** Text that a database and every other program can hold: no NUL, no half of a pair of surrogates. */
export const text = (max: number) =>
  string()
    .typeError(say('text'))
    .max(max, say('text-at-most', { max }))
    .test('wellFormed', BROKEN_TEXT, (v) => v === undefined || v === null || isWellFormed(v))

const BROKEN_TEXT = say('broken-text')

/** Text with something in it besides space. */
export const words = (max: number, message: Message = needed) => text(max).required(needed).matches(/\S/, { message })

/** The page of a list, from 0, as it stands in an address. */
export const pageAsked = () => text(6).matches(/^\d+$/, { message: say('whole-from-0') })

/**
 * Is a word one that every object answers to (`toString`, `constructor`, `__proto__`)? Such a word names nothing here.
 */
export const isReserved = (word: string) => word in {}

const RESERVED = say('reserved-word')

/** A short word out of a list that is checked elsewhere. */
export const word = (max: number) => text(max).test('reserved', RESERVED, (v) => !v || !isReserved(v))

export const ID = /^[\w.-]+$/

export const id = () => word(64).matches(ID, { message: say('id') })

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/

/** The id of a job, a picture or whatever else a workshop keeps rows of. */
export const uuid = () => text(36).matches(UUID, { message: say('uuid'), excludeEmptyString: false })

/** Is a text shaped like the ids that jobs and photos have? */
export const isUuid = (of: string) => UUID.test(of)

export const flag = () => boolean().typeError(say('flag'))

export const oneOf = <T extends string>(...values: readonly T[]) =>
  mixed<T>().oneOf(values, say('one-of', { words: values }))

/** Years that anything here can have happened, or be planned, in. */
const YEARS = [1990, 2100] as const

const DAY = /^\d{4}-\d{2}-\d{2}$/
const MOMENT = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}(\.\d{1,6})?(Z|[+-]\d{2}:\d{2})$/

/** One address and nothing that could be read as more in a letter's head; may be empty. */
const EMAIL = /^$|^[^\s@<>(),;:"\\[\]]{1,64}@[^\s@<>(),;:"\\[\]]{1,180}\.[^\s@<>(),;:"\\[\]]{2,60}$/u

export const email = () => text(254).matches(EMAIL, { message: say('email') })

/** A day, as 2026-11-26. */
export const day = () =>
  text(10)
    .test('day', say('day', { from: YEARS[0], to: YEARS[1] }), (v) => v === undefined || v === null || isDay(v))
    .meta({ jsonSchema: { pattern: DAY.source } })

/** A moment, as 2026-11-26T08:30:00.000Z. */
export const moment = () =>
  text(40)
    .test(
      'moment',
      say('moment', { from: YEARS[0], to: YEARS[1] }),
      (v) => v === undefined || v === null || isMoment(v)
    )
    .meta({ jsonSchema: { pattern: MOMENT.source } })

function isDay(value: string): boolean {
  if (!DAY.test(value)) return false
  const date = new Date(`${value}T00:00:00Z`)
  // The 31st of February comes out as a day of March.
  return !Number.isNaN(date.getTime()) && date.toISOString().startsWith(value) && inYears(date)
}

function isMoment(value: string): boolean {
  if (!MOMENT.test(value) || !isDay(value.slice(0, 10))) return false
  return !Number.isNaN(Date.parse(value))
}

function inYears(date: Date): boolean {
  return date.getUTCFullYear() >= YEARS[0] && date.getUTCFullYear() <= YEARS[1]
}

/** A list; its length is looked at before anything in it. */
export const listOf = <T extends AnySchema>(of: T, max: number) =>
  array().of(of).typeError(say('list')).max(max, say('list-at-most', { max })) as unknown as ArraySchema<
    InferType<T>[] | undefined,
    AnyObject,
    undefined,
    ''
  >

export const pair = (most = 10_000) =>
  tuple([num(-most, most).required(say('number')), num(-most, most).required(say('number'))]).typeError(
    say('two-numbers')
  )

/** What an object of these fields is: one that may be undefined may be absent. */
type Described<F extends Record<string, AnySchema>> = Flat<
  { [K in keyof F as undefined extends InferType<F[K]> ? never : K]: InferType<F[K]> } & {
    [K in keyof F as undefined extends InferType<F[K]> ? K : never]?: InferType<F[K]>
  }
>
type Flat<T> = { [K in keyof T]: T[K] }

/** An object with these fields and no others. */
export const shape = <F extends Record<string, AnySchema>>(fields: F) =>
  object(fields).typeError(say('object')).default(undefined) as unknown as ObjectSchema<Described<F> | undefined>

/** Entries that an object of values by id may have. */
const MOST_BY_ID = 500

/** Values of one shape, named by ids: `{ "arm": 1.2 }`. */
export const byIds = <S extends AnySchema>(of: S, message: Message) =>
  object()
    .default(undefined)
    .typeError(say('object'))
    .test(
      'values',
      message,
      (value) =>
        !value || Object.values(value).every((one) => of.isValidSync(one, { strict: true, disableStackTrace: true }))
    )
    .test(
      'names',
      say('ids-at-most', { max: MOST_BY_ID }),
      (value) =>
        !value ||
        (Object.keys(value).length <= MOST_BY_ID &&
          Object.keys(value).every((key) => key.length <= 64 && ID.test(key) && !isReserved(key)))
    )
    .meta({ valuesOf: of }) as unknown as MixedSchema<{ [id: string]: InferType<S> } | undefined>

/** The figures of a message, by name. */
export const figuresShape = () =>
  byIds(figureValue, say('values-by-id')).required(needed) as unknown as MixedSchema<Figures>

const figureValue = mixed<NonNullable<FigureValue>>()
  .nullable()
  .defined(needed)
  .test(
    'figure',
    say('values-by-id'),
    (value) =>
      value === null ||
      typeof value === 'boolean' ||
      (typeof value === 'number' && Number.isFinite(value)) ||
      isFit(value) ||
      (Array.isArray(value) && value.length <= MOST_BY_ID && value.every(isFit))
  )

function isFit(value: unknown): boolean {
  return typeof value === 'string' && value.length <= MOST_FIGURE && isWellFormed(value)
}

/** Characters of a word in a message: a text of our own that an older version kept whole. */
const MOST_FIGURE = 4000

/** The version of a file's format that this program reads; another is refused in plain words. */
export const formatVersion = <N extends number>(current: N) =>
  mixed<N>()
    .required(needed)
    .test(
      'version',
      ({ value }: { value: unknown }) => versionMessage(value, current),
      (value) => value === undefined || value === current
    )
    .meta({ jsonSchema: { const: current } })

function versionMessage(value: unknown, current: number): Message {
  const newer = typeof value === 'number' && value > current
  return newer ? say('version-newer', { found: value, expected: current }) : say('version', { expected: current })
}

/**
 * A value of any shape that is checked elsewhere, by its own rules; the type is what that check makes of it.
 * @param schema the rules it is checked by, for the JSON Schema
 */
export const elsewhere = <T>(schema?: () => AnySchema) => mixed<T & {}>().meta({ elsewhere: schema })
