export { type Opening, openingOf } from './opening'
export type { EvidenceSays, LookId, OpeningSays } from './says'
export {
  NO_OWN_SUSPECTS,
  type OwnSuspects,
  ownSuspectsSchema,
  SHIPPED,
  type SuspectTable,
  withOwnSuspects
} from './ownTable'
export type { PartShare } from './whereabouts'
export { type Suspect, suspectsOf } from './suspects'
export { type Bearing, BEARINGS, SUSPECT_IDS, SUSPECTS, type SuspectId } from './table'
