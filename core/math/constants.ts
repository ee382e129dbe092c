/**
 * Constants and tolerances of the core, each with its unit and why it has that size.
 * Priors and default uncertainties stand beside what they belong to (estimate/priors.ts, readings/kinds.ts).
 */

/** Radians in a degree. */
export const RADIANS = Math.PI / 180

/** links: how far the links round the new drive may be from the chain's count before the sheet is unsound. */
export const CLOSING_TOLERANCE = 0.1

/** links: marks, counts and geometry are read to a whole link, so they may differ by one. */
export const COUNT_TOLERANCE = 1

/** Times the elongation limit that a sheet's geometry should be able to describe. */
export const REACH = 1.5

/** degrees: the arm angle is solved to this; 1e-9° moves a plunger by less than 1e-8 mm. */
export const ARM_ANGLE_TOLERANCE = 1e-9

/** degrees: more sweep than half a turn on a rail means the chain stands clear of it. */
export const RAIL_SWEEP_MAX = 180

/** fraction: no chain in one piece is longer than new by more than this; the estimate stays below it. */
export const ELONGATION_MAX = 0.05

/** teeth: the estimate considers jumps up to this many teeth either way. */
export const JUMP_MAX = 3

/** Temperature at which the sheet's lengths hold, °C. */
export const REFERENCE_TEMPERATURE = 20

/** Linear expansion per kelvin. */
export const EXPANSION = { aluminium: 23e-6, iron: 11e-6, chain: 11.5e-6 } as const

/** Jumps that are weighed, in teeth; + = late. */
export const JUMPS: readonly number[] = Array.from({ length: 2 * JUMP_MAX + 1 }, (_, i) => i - JUMP_MAX)
