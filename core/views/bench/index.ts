export { takenOtherWay } from './slips'
export { fills, readsSlot, type Slot, slotsOf } from './slots'
export {
  ENGINE_GROUPS,
  type FindingGroup,
  findingGroups,
  type GroupTitle,
  LIFTER_GROUP,
  partsAt,
  SLACK_GROUP,
  type Station,
  stationOfFinding,
  STATIONS,
  type StationState,
  stationStates
} from './stations'
