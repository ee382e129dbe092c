import { compileSheet, type Chain, type DriveSheet } from '../sheet'

/** How a chain's driver is driven. */
export interface Stage {
  /**
   * Turns of the driver per crank turn; negative when it turns against the crank (behind a gear pair or a back-driven
   * sprocket).
   */
  speed: number
  /** The sprocket of another chain whose lag this whole stage inherits; null where the driver is fixed to the crank. */
  upstream: { chain: string; sprocket: string } | null
}

/** The crank itself, as the driver of a gear pair. */
export const CRANK = 'crank'

const MOST_STAGES = 8

/**
 * The stage that drives a chain: the crank, another chain's sprocket on the same shaft, or a gear pair from either.
 * A pair of gears turns the other way round: speed = −z_driver/z_driven times that of the shaft before it.
 * @throws RangeError when the stages go round in a circle
 */
export function stageOf(sheet: DriveSheet, chain: Chain, depth = 0): Stage {
  return shaftOf(sheet, chain.driver, depth)
}

/** The stage behind the shaft that a sprocket sits on. */
function shaftOf(sheet: DriveSheet, sprocket: string, depth: number): Stage {
  if (depth > MOST_STAGES)
    throw new RangeError(`sprocket ${sprocket}: expected stages that start at the crank, but they go round in a circle`)
  const together = onShaft(sheet, sprocket)
  for (const chain of sheet.chains) {
    const driven = chain.path.find((id) => id !== chain.driver && together.includes(id))
    if (driven !== undefined)
      return { speed: speedOf(sheet, chain, driven, depth + 1), upstream: { chain: chain.id, sprocket: driven } }
  }
  const gear = sheet.gears?.find(({ driven }) => together.includes(driven))
  if (!gear) return { speed: 1, upstream: null }
  const before = compileSheet(sheet).sprockets.has(gear.driver)
    ? shaftOf(sheet, gear.driver, depth + 1)
    : { speed: 1, upstream: null }
  return { speed: (-before.speed * gear.teeth[0]) / gear.teeth[1], upstream: before.upstream }
}

/** Sprockets that turn as one with a sprocket, itself first. */
export function onShaft(sheet: DriveSheet, id: string): string[] {
  const shaft = compileSheet(sheet).sprockets.get(id)?.shaft
  return [
    id,
    ...sheet.sprockets.filter((s) => s.id !== id && shaft !== undefined && s.shaft === shaft).map((s) => s.id)
  ]
}

/** Turns of a sprocket driven by a chain per crank turn, with their direction. */
export function speedOf(sheet: DriveSheet, chain: Chain, sprocket: string, depth = 0): number {
  const parts = compileSheet(sheet)
  const [driver, driven] = [parts.sprocket(chain.driver), parts.sprocket(sprocket)]
  const back = driven.side === 'back' ? -1 : 1
  return (back * stageOf(sheet, chain, depth).speed * driver.teeth) / driven.teeth
}

/** Crank degrees that one tooth of a chain's driver is worth: 360/z_driver times crank turns per driver turn. */
export function degreesPerTooth(sheet: DriveSheet, chain: Chain): number {
  return 360 / compileSheet(sheet).sprocket(chain.driver).teeth / Math.abs(stageOf(sheet, chain).speed)
}

/**
 * crank degrees that one tooth of a gear pair is worth on the cam that it drives: 360/z_driven times crank turns per
 * cam turn.
 */
export function gearToothDegrees(sheet: DriveSheet, cam: string): number {
  const gear = sheet.gears?.find(({ driven }) => driven === cam)
  if (!gear) return NaN
  return 360 / gear.teeth[1] / Math.abs(shaftSpeed(sheet, cam))
}

/** Turns of a shaft per crank turn, with their direction. */
export function shaftSpeed(sheet: DriveSheet, sprocket: string): number {
  return shaftOf(sheet, sprocket, 0).speed
}

/** Turns per crank turn of a sprocket of a chain, or of a cam that gears drive from one of them. */
export function turnsOf(sheet: DriveSheet, chain: Chain, sprocket: string): number {
  return chain.path.includes(sprocket) ? speedOf(sheet, chain, sprocket) : shaftSpeed(sheet, sprocket)
}

/** Which way a chain travels round its loop: −1 clockwise, +1 anticlockwise, seen from the front. */
export function travelOf(sheet: DriveSheet, chain: Chain): 1 | -1 {
  const crank = sheet.rotation === 'clockwise' ? -1 : 1
  return stageOf(sheet, chain).speed > 0 ? crank : (-crank as 1 | -1)
}

/** Does a chain run off the shaft of a sprocket? */
export function drivesChain(sheet: DriveSheet, sprocket: string): boolean {
  return sheet.chains.some(({ driver }) => onShaft(sheet, sprocket).includes(driver))
}

/**
 * Does a sprocket drive a further chain, by its shaft or by a gear pair? Such a one is no cam; one whose gears drive
 * only another cam is.
 */
export function drivesFurther(sheet: DriveSheet, sprocket: string): boolean {
  const together = onShaft(sheet, sprocket)
  return (
    sheet.chains.some(({ driver }) => together.includes(driver)) ||
    (sheet.gears ?? []).some(({ driver, driven }) => together.includes(driver) && drivesChain(sheet, driven))
  )
}

/** Chains in groups that hang together by stages, each in the order of the sheet. */
export function trainsOf(sheet: DriveSheet): Chain[][] {
  const root = (chain: Chain): string => {
    const { upstream } = stageOf(sheet, chain)
    return upstream ? root(compileSheet(sheet).chain(upstream.chain)) : chain.id
  }
  const trains = new Map<string, Chain[]>()
  for (const chain of sheet.chains) trains.set(root(chain), [...(trains.get(root(chain)) ?? []), chain])
  return [...trains.values()]
}
