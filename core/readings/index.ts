export { atUsage } from './atUsage'
export { type CylinderPattern, cylinderPattern, type CylinderResult } from './cylinders'
export { detailsOf, type FindingDetail, needsDetail } from './details'
export { FIGURED, type FigureSpec, figureOf, heldAgainst } from './figured'
export { readingFaults, readingStructureFaults, readingTargetFaults } from './checkReading'
export { ALL_FINDINGS, COUNTED_FINDINGS, type Finding, FINDINGS, isFinding } from './conditions'
export { type KnownReading, withIds } from './ids'
export type { ReadingSays } from './says'
export type { UntrueSays } from './untrue'
export { findingsIn } from './findingsIn'
export { combineByHand, handMethodOf, handOf, sharedVariance } from './hands'
export { impossibleReading } from './impossible'
export {
  type EarlierKnown,
  earlierKnownFields,
  type JobFile,
  learntFigureFields,
  type LearntPriors,
  learntPriorsSchema,
  type School,
  schoolSchema,
  type Usage,
  usageSchema,
  type UsageUnit,
  type WearPoint
} from './jobFile'
export {
  CHAIN_OFF_MINUTES,
  isNumeric,
  methodMinutes,
  methodOf,
  methodSigma,
  NUMERIC_KINDS,
  READING_KINDS,
  STRETCH_KINDS
} from './kinds'
export { namedBy, partField, partOf } from './partOf'
export { type BenchLength, elongationRead, isBenchLength, placeSigma, placesOf } from './places'
export { type OtherWork, type Pricing, pricingSchema } from './pricingSchema'
export { canCorrect, isSameThing } from './sameThing'
export { READING_SCHEMAS } from './schema'
export { sheetCount } from './sheetCount'
export { extensionRead, extensionToNotches, freeExtension, notchesToExtension, readingSigma } from './sigma'
export { askOfUsage, type SeenUsage, type UsageSays } from './usageLine'
export { readWritten, type Written } from './written'
export type { NumericKind, Of, Reading, ReadingKind, Unread } from './types'
