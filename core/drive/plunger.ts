import { blockGrowth, grown } from './elements'
import { between, dotOf, type Point, rotate, turnedAbout, unit } from '../math'
import type { Corrections } from './corrections'
import { type Chain, compileSheet, type DriveSheet, type Rail, type Tensioner } from '../sheet'

/** The plunger of a tensioner with coordinates, and the arm it pushes. */
export interface Plunger {
  axis: Point
  seat: Point
  padPoint: Point
  /** Unit normal of the arm's contact face at arm angle 0. */
  normal: Point
  pivot: Point
  stroke: number
  range: readonly [number, number]
}

/**
 * The plunger that works on a chain; null without a tensioner. @throws RangeError when the sheet lacks a coordinate
 * that it needs
 */
export function plungerOn(sheet: DriveSheet, chain: Chain, corrections: Corrections): Plunger | null {
  const { tensionerOf, rails } = compileSheet(sheet)
  const tensioner = tensionerOf(chain.id)
  const arm = tensioner && rails.get(tensioner.arm)
  return tensioner && arm ? plungerOf(tensioner, arm, corrections) : null
}

/** @throws RangeError when the sheet lacks a coordinate that the plunger needs */
function plungerOf(tensioner: Tensioner, arm: Rail, corrections: Corrections): Plunger {
  const { axis, seat, pad, armRange } = tensioner
  if (axis === undefined || !seat || !pad || !armRange || !arm.pivot)
    throw new RangeError(`tensioner ${tensioner.id}: expected coordinates`)
  return {
    axis: unit(axis),
    seat: grown(seat, corrections),
    padPoint: grown(pad.point, corrections),
    normal: unit(pad.face - 90),
    pivot: grown(arm.pivot, corrections),
    stroke: tensioner.stroke * blockGrowth(corrections),
    range: armRange
  }
}

/**
 * Extension (mm) that an arm angle calls for: the plunger's axis cut with the arm's contact face.
 *
 * The tip stands at seat + e·a. The face passes through m, the pad point, with normal n; both turn with the arm by φ.
 * The tip lies on the face where (seat + e·a − m(φ))·n(φ) = 0, so e = ((m(φ) − seat)·n(φ)) / (a·n(φ)).
 * A pad worn by w lets the plunger out by w measured along n, so by w/|a·n(φ)| along the axis.
 * @param padWear mm
 */
export function extensionAt(plunger: Plunger, armAngle: number, padWear: number): number {
  const normal = rotate(plunger.normal, armAngle)
  const facing = dotOf(plunger.axis, normal)
  const point = turnedAbout(plunger.padPoint, plunger.pivot, armAngle)
  return dotOf(between(plunger.seat, point), normal) / facing + padWear / Math.abs(facing)
}
