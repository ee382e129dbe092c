export { type JobSummary, type Measure, measuresOf, summarise, hoursTask } from './summary'
export { fittedIn } from './fitted'
export { calibrationOf, type CalibrationPoint } from './calibration'
export { type Needed, needsNow, NEEDS_NOW, type NeedsNow } from './needsNow'
