import { turn360 } from '../math'

/** `h:mm`, 1 to 12 o'clock. */
export const CLOCK = /^(1[0-2]|[1-9]):[0-5]\d$/

/** Is this a clock position such as `6:00` or `10:30`? */
export function isClock(text: string): boolean {
  return CLOCK.test(text)
}

/**
 * Direction of a clock position, degrees from +x, anticlockwise, in [0, 360): 12:00 is up (90°), an hour is 30°
 * clockwise.
 * @example clockAngle('3:00') // 0
 * @throws RangeError when the text is no clock position
 */
export function clockAngle(text: string): number {
  if (!isClock(text)) throw new RangeError(`clock position: expected h:mm such as 6:00, got ${text}`)
  const [hours, minutes] = text.split(':').map(Number) as [number, number]
  return turn360(90 - 30 * (hours + minutes / 60))
}
