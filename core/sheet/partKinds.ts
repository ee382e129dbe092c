/** Kinds of things that findings are of. */
export const PART_KINDS = [
  'chain',
  'guide',
  'arm',
  'bridge',
  'tensioner',
  'phaser',
  'sprocket',
  'camshaft',
  'cover',
  'trigger',
  'auxiliary',
  'oil',
  'fasteners',
  'engine'
] as const

export type PartKind = (typeof PART_KINDS)[number]

/** Kinds of parts that stand beside the chain: a sheet may name each of them, and every engine has some. */
export const BESIDE_KINDS = ['camshaft', 'cover', 'trigger', 'auxiliary'] as const
export type BesideKind = (typeof BESIDE_KINDS)[number]

/** Targets that are no part of a sheet, with their kind: every engine has them, whatever its sheet names. */
export const STANDING_KINDS = {
  camshafts: 'camshaft',
  'front-cover': 'cover',
  'trigger-wheel': 'trigger',
  'auxiliary-drive': 'auxiliary',
  oil: 'oil',
  fasteners: 'fasteners',
  engine: 'engine'
} as const satisfies Record<string, PartKind>

export const STANDING_TARGETS = Object.keys(STANDING_KINDS) as (keyof typeof STANDING_KINDS)[]

/** Of those the words that no part of a sheet may have as its id. */
export const RESERVED_TARGETS: readonly string[] = ['oil', 'fasteners', 'engine']
