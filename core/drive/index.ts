export { countedOf, hasCentres, isCharted } from './centred'
export { chainModel, type Guess } from './chainModel'
export { chartedModel } from './charted'
export {
  angleClock,
  camToCrankDegrees,
  clockToLag,
  degreesToTeeth,
  lagToClock,
  liftToLag,
  markToLag,
  teethToDegrees
} from './clockMarks'
export { closeChain, smallestCorrection } from './closing'
export { type Contour, contourAt, linksRound } from './contour'
export { type Corrections, correctionsSchema } from './corrections'
export { extensionCurve, RAIL_GAIN_DEFAULT } from './counted'
export {
  camsOf,
  type Element as ChainElement,
  drivenSprockets,
  elementsOf,
  gearedCams,
  inheritsFrom,
  phasersOn,
  toothDegreesOf,
  touchingRails
} from './elements'
export { type Gap, type GapSays, sheetGaps } from './gaps'
export type { DriveSays } from './says'
export { linksBetweenMarks } from './marks'
export { asNew, type ChainModel, type ChainReadout, type ChainWear } from './model'
export {
  chainPicture,
  type ChainPicture,
  type RailPicture,
  type SprocketPicture,
  type TensionerPicture
} from './picture'
export { rememberingSheets, sheetFaults } from './readSheet'
export { colouredLinksReturn } from './recurrence'
export { referenceFaults } from './references'
export { bledDown, rideOver, type RideOver, slackBetween } from './rideOver'
export { linksOf, placeOn } from './run'
export { slackMap, type SlackMap } from './slackMap'
export {
  degreesPerTooth,
  drivesChain,
  drivesFurther,
  gearToothDegrees,
  shaftSpeed,
  speedOf,
  stageOf,
  trainsOf,
  travelOf,
  turnsOf
} from './train'
export { type Slackness, trailBehind, turningOf } from './turning'
export { extensionAt, plungerOn } from './plunger'
