import { byIds, needed, num, oneOf, shape, sayOfCheck, type Shape } from '../check'

const numbers = (min: number, max: number) =>
  byIds(num(min, max).required(needed), sayOfCheck('numbers-by-id', { min, max }))

/**
 * Things known about this engine that shift readings as much as wear does. One that is there, though empty, was asked:
 * nothing of it is open. One that is missing is unknown.
 */
export const correctionsSchema = shape({
  /** mm machined off the head or block face, by bank. */
  skim: numbers(-2, 5),
  /** Engine temperature when it was read, °C, and what the block is made of; empty: as warm as the workshop. */
  temperature: shape({ celsius: num(-60, 200), block: oneOf('aluminium', 'iron') }),
  /** Crank degrees (+ = late) that an offset key or dowel adds to a cam's reading, by sprocket. */
  offsetKeys: numbers(-30, 30)
})

export type Corrections = NonNullable<Shape<typeof correctionsSchema>>
