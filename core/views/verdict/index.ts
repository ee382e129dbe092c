export { type CauseSays, type Change, explainChange } from './change'
export { otherSchools, type SchoolDifference } from './otherSchools'
export { plainVerdict, type Statement, type VerdictSays } from './plainVerdict'
export { standAs } from './standAs'
