import { turn180 } from '../math'
import { compileSheet, type Chain, clockAngle, type DriveSheet } from '../sheet'
import { degreesPerTooth, travelOf, turnsOf } from './train'

/** Cam degrees as crank degrees: a cam turns at half crank speed. */
export function camToCrankDegrees(camDegrees: number): number {
  return 2 * camDegrees
}

/** Crank degrees that a number of teeth is worth on a chain; + = late. */
export function teethToDegrees(sheet: DriveSheet, chain: Chain, teeth: number): number {
  return teeth * degreesPerTooth(sheet, chain)
}

/** Teeth that a lag in crank degrees is worth on a chain. */
export function degreesToTeeth(sheet: DriveSheet, chain: Chain, degrees: number): number {
  return degrees / degreesPerTooth(sheet, chain)
}

/**
 * Lag in crank degrees of a sprocket whose mark stands at a clock position other than it should, crank at its own mark.
 * An hour is 30° of the sprocket. A mark that stands later in the turning direction than it should means early
 * (advanced): the sprocket has turned too far.
 * @param at clock position where the mark stands, `h:mm`
 * @throws RangeError when the sheet has no mark for the sprocket, or the text is no clock position
 */
export function clockToLag(sheet: DriveSheet, chain: Chain, sprocket: string, at: string): number {
  const mark = compileSheet(sheet).markOf(sprocket)
  if (!mark) throw new RangeError(`sprocket ${sprocket}: expected a mark on the sheet`)
  return markToLag(sheet, chain, sprocket, turn180(clockAngle(at) - clockAngle(mark.at)))
}

/**
 * Lag in crank degrees of a sprocket whose mark stands so many degrees, + = anticlockwise, from where it should, crank
 * at its own mark.
 */
export function markToLag(sheet: DriveSheet, chain: Chain, sprocket: string, degrees: number): number {
  const ahead = senseOf(sheet, chain, sprocket) * degrees
  return -ahead / Math.abs(turnsOf(sheet, chain, sprocket))
}

/** Where a sprocket's mark stands at a lag (crank degrees), as a clock position to the nearest minute, `h:mm`. */
export function lagToClock(sheet: DriveSheet, chain: Chain, sprocket: string, lag: number): string {
  const mark = compileSheet(sheet).markOf(sprocket)
  if (!mark) throw new RangeError(`sprocket ${sprocket}: expected a mark on the sheet`)
  return angleClock(
    clockAngle(mark.at) - senseOf(sheet, chain, sprocket) * lag * Math.abs(turnsOf(sheet, chain, sprocket))
  )
}

/** Which way a sprocket of a chain, or a cam that gears drive from one, turns: +1 anticlockwise. */
function senseOf(sheet: DriveSheet, chain: Chain, sprocket: string): number {
  if (!chain.path.includes(sprocket)) return -travelOf(sheet, chain)
  const back = compileSheet(sheet).sprockets.get(sprocket)?.side === 'back' ? -1 : 1
  return back * travelOf(sheet, chain)
}

/** The clock position of a direction in degrees from +x, anticlockwise, to the nearest minute. */
export function angleClock(angle: number): string {
  const minutes = ((Math.round((90 - angle) * 2) % 720) + 720) % 720
  const hours = Math.floor(minutes / 60)
  return `${hours === 0 ? 12 : hours}:${String(minutes % 60).padStart(2, '0')}`
}

/**
 * Lag by the valve-lift method: crank angles at which the same small lift is reached on the opening and on the closing
 * flank, found against the maker's; + = late. The mean of both takes the lobe's wear out, their difference shows it.
 */
export function liftToLag(
  found: { opening: number; closing: number },
  should: { opening: number; closing: number }
): { lag: number; flanks: number } {
  const opening = turn180(found.opening - should.opening)
  const closing = turn180(found.closing - should.closing)
  return { lag: (opening + closing) / 2, flanks: closing - opening }
}
