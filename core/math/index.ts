export { brent } from './brent'
export { combineFigures } from './combineFigures'
export {
  ARM_ANGLE_TOLERANCE,
  CLOSING_TOLERANCE,
  COUNT_TOLERANCE,
  ELONGATION_MAX,
  EXPANSION,
  JUMP_MAX,
  JUMPS,
  RADIANS,
  RAIL_SWEEP_MAX,
  REACH,
  REFERENCE_TEMPERATURE
} from './constants'
export { daysOn, localDay } from './day'
export { type Bounded, boundedMinimum, cholesky, choleskySolve, dot, type Matrix } from './linear'
export { cutMean, cutMixture, massAbove, mixture, mixtureAbove, type WeightedNormal } from './mixtures'
export { cdf, logCdf, NINETY, quantileOf, truncatedAbove, truncatedMoments } from './normal'
export { NODES } from './quadrature'
export { randomness, type Roll, seedOf } from './random'
export { roundFigures } from './round'
export { boundedNormal, type HalfNormals, type Truncated, widePrecision } from './truncated'
export { convert, fahrenheitToCelsius } from './units'
export { along, between, dotOf, pitchRadius, type Point, turn180, turn360, rotate, turnedAbout, unit } from './vector'
export { groupBy } from './groupBy'
export { smoothLine } from './smoothLine'
