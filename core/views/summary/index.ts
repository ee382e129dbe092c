export { type JobSummary, type Measure, measuresOf, summarise } from './summary'
