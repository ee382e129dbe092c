/** The acts of a job: their types (registry.ts), and what they come to. */
export {
  ACT_VIEWS,
  ACTS,
  isActType,
  type Act,
  type ActOf,
  type ActType,
  type JobState,
  type PartKnown,
  type WaitsFor
} from './registry'
export { foldActs, Folding } from './fold'
export { sheetOf, type JobRecord } from './record'
export type { PictureRead } from './read'
export type { TraceRead } from './traceRead'
export type { StandingReading } from './standing'
