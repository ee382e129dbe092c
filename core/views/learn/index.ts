export { calibrationOf, type CalibrationPoint, coverage } from './calibration'
export { type Learnt, learnt, type LearntFrom, type TypeRate } from './learnt'
