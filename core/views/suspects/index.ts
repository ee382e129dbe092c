export { type Opening, openingOf } from './opening'
export type { EvidenceSays, LookId, OpeningSays } from './says'
export { type Suspect, suspectsOf } from './suspects'
export { BEARINGS, SUSPECT_IDS, type SuspectId } from './table'
