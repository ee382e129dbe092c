export { type Report, reportOf, type ReportPath } from './report'
