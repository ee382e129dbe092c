export { openingOf } from './opening'
export { suspectsOf } from './suspects'
export { BEARINGS, type SuspectId } from './table'
