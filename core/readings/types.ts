import type { ReadingKind, ReadingOf } from './schema'

export type { ReadingKind } from './schema'

/** A figure. */
export type NumericKind = Exclude<ReadingKind, 'condition'>

type OneOf = { [K in ReadingKind]: ReadingOf<K> }[ReadingKind]
type Fields<R> = R extends unknown ? keyof R : never
/** Fields that another kind has are known to be absent, so that they can be asked for before the kind is known. */
type With<R> = R extends unknown
  ? R & { readonly [F in Exclude<Extract<Fields<OneOf>, PropertyKey>, keyof R>]?: undefined }
  : never

/**
 * A reading as job files hold it: a figure, or a finding from the closed list (conditions.ts). Its kind says which
 * fields it has.
 */
export type Reading = With<OneOf>

/** A reading that may not be taken yet: its kind and what it is of, perhaps without a figure. */
export type Unread = With<
  {
    [K in ReadingKind]: Omit<ReadingOf<K>, 'value'> & { readonly value?: number }
  }[ReadingKind]
>

/** A reading whose kind is known. */
export type Of<K extends ReadingKind> = Extract<Reading, { kind: K }>
