export { HISTORY_FIELDS, type HistoryField } from './fields'
export { HistoryReader, type HistoryOutcome, type KnownCustomer, type KnownVehicle, type PlannedRow } from './plan'
export { type HistoryPlan, type HistoryRow, type KnownEngine, readHistoryRow, type RowNote } from './readRow'
export type { HistorySays } from './says'
