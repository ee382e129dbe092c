/** The acts of a job: their types (registry.ts), and what they come to. */
export { ACTS, isActType, type Act, type ActOf, type ActType, type JobState, type PartKnown, type WaitsFor } from './registry'
export { foldActs, Folding } from './fold'
export { ACT_VIEWS } from './views'
export { sheetOf, type JobRecord, type StandingReading } from './record'
