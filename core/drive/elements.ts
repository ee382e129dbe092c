import { EXPANSION, pitchRadius, type Point, REFERENCE_TEMPERATURE } from '../math'
import { compileSheet, type Chain, type DriveSheet, type Phaser, type Rail, type Sprocket } from '../sheet'
import type { Corrections } from './corrections'
import { degreesPerTooth, drivesChain, gearToothDegrees, onShaft, stageOf, travelOf } from './train'

/** A directed circle that the chain meets: a sprocket's pitch circle or the pitch line on a rail's shoe. */
export interface Element {
  id: string
  /** mm; at arm angle 0 for an arm. */
  centre: Point
  /** mm; of a new shoe for a rail. */
  radius: number
  /** +1: circle on the chain's left, heading grows along it (anticlockwise); −1: on its right. */
  orientation: 1 | -1
  /** 0 for a rail. */
  teeth: number
  /** Place in the state's `wear`, −1 for a sprocket. */
  rail: number
  /** Only on an arm. */
  pivot?: Point
  /** An arm that slides: its pivot is no part. */
  slides?: boolean
}

/** Ids of the rails that the chain lies on, in path order: the order of a state's `wear`. */
export function touchingRails(sheet: DriveSheet, chain: Chain): string[] {
  const { rails } = compileSheet(sheet)
  return chain.path.filter((id) => rails.has(id) && rails.get(id)?.touches !== false)
}

/** Ids of the sprockets the chain drives, in path order: the order of a state's lags. */
export function drivenSprockets(sheet: DriveSheet, chain: Chain): string[] {
  const { sprockets } = compileSheet(sheet)
  return chain.path.filter((id) => sprockets.has(id) && id !== chain.driver)
}

/** Cams that a gear pair drives from a sprocket of this chain, and that drive no chain themselves. */
export function gearedCams(sheet: DriveSheet, chain: Chain): { id: string; from: string }[] {
  const driven = drivenSprockets(sheet, chain)
  return (sheet.gears ?? []).flatMap(({ driver, driven: id }) => {
    const from = driven.find((sprocket) => onShaft(sheet, driver).includes(sprocket))
    return from === undefined || drivesChain(sheet, id) ? [] : [{ id, from }]
  })
}

/**
 * The sprocket whose lag a cam of this chain inherits: the one that drives it by gears, or the one of another chain
 * that drives its whole chain; null where neither stands between it and the crank.
 */
export function inheritsFrom(sheet: DriveSheet, chain: Chain, cam: string): string | null {
  const geared = gearedCams(sheet, chain).find(({ id }) => id === cam)
  return geared ? geared.from : (stageOf(sheet, chain).upstream?.sprocket ?? null)
}

/** crank degrees that one tooth is worth on a cam of this chain: of the chain, or of the gears that drive it. */
export function toothDegreesOf(sheet: DriveSheet, chain: Chain, cam: string): number {
  return chain.path.includes(cam) ? degreesPerTooth(sheet, chain) : gearToothDegrees(sheet, cam)
}

/** Phasers on the cams of a chain. */
export function phasersOn(sheet: DriveSheet, chain: Chain): Phaser[] {
  const cams = camsOf(sheet, chain)
  return sheet.phasers.filter(({ sprocket }) => cams.includes(sprocket))
}

/** Ids of all cams whose lag a chain's model gives: the sprockets that it drives, then what gears drive from them. */
export function camsOf(sheet: DriveSheet, chain: Chain): string[] {
  return [...drivenSprockets(sheet, chain), ...gearedCams(sheet, chain).map(({ id }) => id)]
}

/**
 * The directed circles of a chain in its direction of travel, starting at the driver.
 * Clockwise travel: sprockets and rails inside the loop have the chain turning clockwise round them (−1), rails outside
 * and sprockets driven by the chain's back the other way (+1). Anticlockwise travel: all signs change.
 * @throws RangeError when the sheet has no coordinates for one of them
 */
export function elementsOf(sheet: DriveSheet, chain: Chain, corrections: Corrections = {}): Element[] {
  const rails = touchingRails(sheet, chain)
  const travel = travelOf(sheet, chain)
  const { sprockets, rail: railOf } = compileSheet(sheet)
  const elements: Element[] = []
  for (const id of chain.path) {
    const sprocket = sprockets.get(id)
    if (sprocket) elements.push(sprocketElement(sheet, sprocket, chain, travel, corrections))
    else if (rails.includes(id)) {
      elements.push(railElement(railOf(id), rails.indexOf(id), travel, corrections))
    }
  }
  return elements
}

function sprocketElement(
  sheet: DriveSheet,
  sprocket: Sprocket,
  chain: Chain,
  travel: 1 | -1,
  corrections: Corrections
): Element {
  if (!sprocket.centre) throw new RangeError(`sprocket ${sprocket.id}: expected a centre`)
  const outside = sprocket.side === 'back'
  return {
    id: sprocket.id,
    centre: grown(skimCentre(sheet, sprocket, sprocket.centre, chain, corrections), corrections),
    radius: pitchRadius(chain.pitch, sprocket.teeth) * steelGrowth(corrections),
    orientation: outside ? (-travel as 1 | -1) : travel,
    teeth: sprocket.teeth,
    rail: -1
  }
}

function railElement(rail: Rail, index: number, travel: 1 | -1, corrections: Corrections): Element {
  if (!rail.shoe) throw new RangeError(`rail ${rail.id}: expected a shoe`)
  return {
    id: rail.id,
    centre: grown(rail.shoe.centre, corrections),
    // A rail is a part of its own, on a steel carrier: its place grows with the block, its curve does not.
    radius: rail.shoe.radius * steelGrowth(corrections),
    orientation: rail.side === 'inside' ? travel : (-travel as 1 | -1),
    teeth: 0,
    rail: index,
    ...(rail.pivot ? { pivot: grown(rail.pivot, corrections) } : {}),
    ...(rail.slides ? { slides: true } : {})
  }
}

/** A machined head or block face brings its bank's sprockets that much closer to the crank, along the bank. */
function skimCentre(
  sheet: DriveSheet,
  sprocket: Sprocket,
  centre: Point,
  chain: Chain,
  corrections: Corrections
): Point {
  const skim = corrections.skim?.[String(sprocket.bank)] ?? 0
  const crank = compileSheet(sheet).sprockets.get(chain.driver)?.centre
  if (sprocket.bank === undefined || skim === 0 || !crank) return centre
  const bank = sheet.sprockets.flatMap((s) => (s.bank === sprocket.bank && s.centre ? [s.centre] : []))
  const x = bank.reduce((sum, at) => sum + at[0], 0) / bank.length - crank[0]
  const y = bank.reduce((sum, at) => sum + at[1], 0) / bank.length - crank[1]
  const length = Math.hypot(x, y)
  return [centre[0] - (skim * x) / length, centre[1] - (skim * y) / length]
}

/** A point of the block as it stands at the engine's temperature. */
export function grown(point: Point, corrections: Corrections): Point {
  const growth = blockGrowth(corrections)
  return growth === 1 ? point : [point[0] * growth, point[1] * growth]
}

/** Factor on the block's lengths at the engine's temperature. */
export function blockGrowth({ temperature }: Corrections): number {
  return 1 + EXPANSION[temperature?.block ?? 'aluminium'] * warmth(temperature)
}

/** Factor on the chain's and the sprockets' lengths at the engine's temperature. */
export function steelGrowth({ temperature }: Corrections): number {
  return 1 + EXPANSION.chain * warmth(temperature)
}

/** K above the temperature that the sheet's lengths hold at. */
function warmth(temperature: Corrections['temperature']): number {
  return (temperature?.celsius ?? REFERENCE_TEMPERATURE) - REFERENCE_TEMPERATURE
}
