import type { DriveSheet, PartKind } from '../sheet'
import type { UsageUnit } from '../readings'

/** What paths are priced with. Every figure is a default to be edited by shop and job; none comes from a real fleet. */
export interface Assumptions {
  /** Usage over which coming back counts, in the job's unit. */
  horizon: number
  hourRate: number
  /** Failure of a part that nobody measured: 1 − exp(−(usage/scale)^shape), in the job's unit. */
  weibull: Readonly<Record<PartKind, { scale: number; shape: number }>>
  /** Odds that a new part forces the cover off within the horizon all the same. */
  newPart: number
  /** What a failure breaks besides the part, in the sheet's currency. */
  damage: number
  /** Odds that a part's failure does that damage, rather than be heard in time. */
  breaks: Readonly<Record<PartKind, number>>
  /** Relative scatter of how fast a part goes on wearing. */
  rateScatter: number
}

/** How many km of a van are one of each unit. */
const KM = { km: 1, mi: 1.609344, h: 45 } as const

const LIFE_KM = {
  chain: [350_000, 3],
  guide: [300_000, 3],
  arm: [300_000, 3],
  bridge: [420_000, 3],
  tensioner: [280_000, 2.5],
  phaser: [330_000, 2],
  sprocket: [650_000, 3],
  camshaft: [900_000, 3],
  cover: [900_000, 3],
  trigger: [900_000, 3],
  auxiliary: [400_000, 2],
  oil: [300_000, 2],
  fasteners: [900_000, 2],
  engine: [900_000, 2]
} as const satisfies Record<PartKind, readonly [number, number]>

const BREAKS = {
  chain: 0.3,
  guide: 0.25,
  arm: 0.25,
  bridge: 0.1,
  tensioner: 0.3,
  phaser: 0.15,
  sprocket: 0.2,
  camshaft: 0.2,
  cover: 0.05,
  trigger: 0.05,
  auxiliary: 0.1,
  oil: 0.05,
  fasteners: 0.1,
  engine: 0
} as const

/** Usage that a repair is asked to hold where the customer names none. */
const HORIZON = { km: 60_000, mi: 37_000, h: 1300 } as const
/**
 * Hours of labour that the damage of a failure is worth: valves and head on an interference engine, a tow and a cover
 * else.
 */
const DAMAGE_HOURS = { interference: 35, other: 5 }
const HOUR_RATE = 80

/** The defaults for a sheet and a unit of usage. */
export function defaultAssumptions(sheet: DriveSheet, unit: UsageUnit): Assumptions {
  const hourRate = sheet.money?.hourRate ?? HOUR_RATE
  return {
    horizon: HORIZON[unit],
    hourRate,
    newPart: 0.01,
    rateScatter: 0.25,
    weibull: Object.fromEntries(
      Object.entries(LIFE_KM).map(([kind, [scale, shape]]) => [kind, { scale: scale / KM[unit], shape }])
    ) as unknown as Assumptions['weibull'],
    damage: hourRate * (sheet.engine.interference ? DAMAGE_HOURS.interference : DAMAGE_HOURS.other),
    breaks: BREAKS
  }
}
