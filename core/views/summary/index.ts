export { type JobSummary, type Measure, measuresOf, summarise } from './summary'
export { calibrationOf, type CalibrationPoint } from './calibration'
