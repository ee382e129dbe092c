export { type JobSummary, type Measure, measuresOf, summarise } from './summary'
export { fittedIn } from './fitted'
export { calibrationOf, type CalibrationPoint } from './calibration'
