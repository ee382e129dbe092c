export { type IfLeftSays, type ReportFacts, reportFacts, type ReportMeasure, type ReportWay } from './report'
