/**
 * Units at the edge: everything inside the core is mm, degrees, newton-metres and the sheet's own unit of usage.
 */

/** Unit → its size in the stored unit of its quantity. */
const SIZES = {
  length: { mm: 1, in: 25.4 },
  distance: { km: 1, mi: 1.609344 },
  pressure: { bar: 1, psi: 0.0689475729, kPa: 0.01, inHg: 0.0338638866 },
  torque: { 'N·m': 1, 'lb·ft': 0.45359237 * 9.80665 * 0.3048 }
} as const

export type Quantity = keyof typeof SIZES
export type UnitOf<Q extends Quantity> = keyof (typeof SIZES)[Q] & string

/**
 * A value brought from one unit to another of the same quantity.
 * @example convert('length', 1, 'in', 'mm') // 25.4
 * @throws RangeError for a unit that the quantity does not have
 */
export function convert<Q extends Quantity>(quantity: Q, value: number, from: UnitOf<Q>, to: UnitOf<Q>): number {
  return (value * sizeOf(quantity, from)) / sizeOf(quantity, to)
}

function sizeOf(quantity: Quantity, unit: string): number {
  const size = (SIZES[quantity] as Record<string, number>)[unit]
  if (size === undefined)
    throw new RangeError(`${quantity}: expected ${Object.keys(SIZES[quantity]).join(' or ')}, got ${unit}`)
  return size
}

/** °F to °C. */
export function fahrenheitToCelsius(fahrenheit: number): number {
  return ((fahrenheit - 32) * 5) / 9
}
