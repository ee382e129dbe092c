export { explainChange } from './change'
export { otherSchools, type SchoolDifference } from './otherSchools'
export { plainVerdict } from './plainVerdict'
