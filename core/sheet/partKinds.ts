/** Kinds of things that findings are of; the last three are no part of the sheet and name themselves as target. */
export const PART_KINDS = [
  'chain',
  'guide',
  'arm',
  'bridge',
  'tensioner',
  'phaser',
  'sprocket',
  'oil',
  'fasteners',
  'engine'
] as const

export type PartKind = (typeof PART_KINDS)[number]

/** Targets that are no part of a sheet. */
export const STANDING_TARGETS = ['oil', 'fasteners', 'engine'] as const
