import type { CompiledSheet, LimitValue } from '../sheet'
import type { NumericKind, ReadingKind } from './types'

/** Fields that name the part which a figure is of. */
export type TargetField = 'tensioner' | 'rail' | 'sprocket' | 'chain' | 'phaser'

/**
 * What a kind of reading is: its unit, the fields that name its target, and its methods with their default sigma, the
 * usual one first.
 */
export interface KindSpec {
  unit: string
  /** Digits after the point that it is shown and entered with. */
  digits: number
  /** The part first. */
  target: readonly [TargetField, ...('from' | 'to' | 'links')[]]
  methods: Readonly<Record<string, number>>
  /** Minutes it takes at the stand once the part is in reach, for ranking what to read next. */
  minutes: number
  /** Least and greatest value that anyone could read, in the unit. */
  range: readonly [number, number]
  /** What a figure of a part is held against; null where the sheet has no limit for it. */
  limit: (sheet: CompiledSheet, part: string) => LimitValue | null
}

const elongationLimit: KindSpec['limit'] = (sheet, part) => sheet.limit('elongation', part)

/** The kinds of numeric readings. */
export const READING_KINDS: Readonly<Record<NumericKind, KindSpec>> = {
  extension: {
    unit: 'mm',
    digits: 1,
    target: ['tensioner'],
    methods: { calliper: 0.5, photo: 0.8, eye: 2 },
    minutes: 4,
    range: [0, 500],
    limit: (sheet, part) => sheet.tensioners.get(part)?.limit ?? null
  },
  groove: {
    unit: 'mm',
    digits: 2,
    target: ['rail'],
    methods: { gauge: 0.1, feeler: 0.25, thumbnail: 0.4, photo: 0.3 },
    minutes: 3,
    range: [0, 15],
    limit: (sheet, part) => sheet.limit('groove', part)
  },
  padWear: {
    unit: 'mm',
    digits: 2,
    target: ['tensioner'],
    methods: { gauge: 0.1, eye: 0.4, photo: 0.3 },
    minutes: 5,
    range: [0, 15],
    limit: (sheet, part) => sheet.limit('padWear', part)
  },
  camLag: {
    unit: 'crank degrees',
    digits: 1,
    target: ['sprocket'],
    methods: { marks: 1.5, wheel: 0.7, lift: 0.5, scan: 0.8, trace: 0.4 },
    minutes: 8,
    range: [-360, 360],
    limit: (sheet, part) => sheet.limit('camLag', part)
  },
  linkCount: {
    unit: 'links',
    digits: 1,
    target: ['chain', 'from', 'to'],
    methods: { count: 0.25 },
    minutes: 5,
    range: [0, 2000],
    limit: () => null
  },
  chainLength: {
    unit: 'mm',
    digits: 2,
    target: ['chain', 'links'],
    methods: { calliper: 0.1, rule: 0.4 },
    minutes: 5,
    range: [0, 20_000],
    limit: elongationLimit
  },
  chainCompare: {
    unit: 'mm',
    digits: 2,
    target: ['chain', 'links'],
    methods: { side: 0.15 },
    minutes: 5,
    range: [-10, 100],
    limit: elongationLimit
  },
  phaserPlay: {
    unit: 'crank degrees',
    digits: 1,
    target: ['phaser'],
    methods: { hand: 0.5, dial: 0.2 },
    minutes: 6,
    range: [0, 90],
    limit: (sheet, part) => sheet.phasers.get(part)?.playLimit ?? null
  }
}

/** Minutes by method, where they are not the kind's. */
const METHOD_MINUTES: Readonly<Partial<Record<NumericKind, Readonly<Record<string, number>>>>> = {
  extension: { eye: 1, photo: 3 },
  groove: { thumbnail: 1 },
  padWear: { eye: 2 },
  camLag: { wheel: 12, lift: 20, scan: 12, trace: 25 },
  chainLength: { rule: 4 },
  phaserPlay: { dial: 10 }
}

/** Minutes that a kind of reading takes by a method (its usual one unless named) once the part is in reach. */
export function methodMinutes(kind: NumericKind, method?: string): number {
  return METHOD_MINUTES[kind]?.[methodOf(kind, method)] ?? READING_KINDS[kind].minutes
}

/** Minutes until the chain lies on the bench, which its lengths need. */
export const CHAIN_OFF_MINUTES = 40

export const NUMERIC_KINDS = Object.keys(READING_KINDS) as NumericKind[]

export const READING_KIND_NAMES: readonly ReadingKind[] = [...NUMERIC_KINDS, 'condition']

/** Is a reading a figure, not a finding? */
export function isNumeric(kind: ReadingKind): kind is NumericKind {
  return kind !== 'condition'
}

/** Kinds of readings that tell something about elongation. */
export const STRETCH_KINDS: readonly ReadingKind[] = ['extension', 'camLag', 'chainLength', 'chainCompare']

/** crank degrees added in quadrature to a lag when the drive was not turned forward last, or nobody knows. */
export const BACKLASH_SIGMA = 1.5

/** The method a reading was taken with: the one named, else the kind's usual one. */
export function methodOf(kind: NumericKind, method?: string): string {
  return method ?? Object.keys(READING_KINDS[kind].methods)[0]!
}

/**
 * Standard deviation of a kind of reading by a method (its usual one unless named), in the kind's unit; null for a
 * method that it does not have.
 */
export function methodSigma(kind: NumericKind, method?: string): number | null {
  const { methods } = READING_KINDS[kind]
  const named = methodOf(kind, method)
  return Object.hasOwn(methods, named) ? methods[named]! : null
}
