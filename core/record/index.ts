export { actFaults, entryFaults, type JobBefore, kindOf, schemaOf } from './actFaults'
export {
  type Act,
  ACT_VIEWS,
  type ActOf,
  ACTS,
  type ActType,
  foldActs,
  Folding,
  isActType,
  type JobRecord,
  type JobState,
  type PictureRead,
  type TraceRead,
  sheetOf,
  type StandingReading,
  type WaitsFor
} from './acts'
export { findStranded } from './acts/stranded'
export { assessRecord, jobFile, usageOf } from './assessRecord'
export { exportJob, importJob, type JobExport, refreshSignoffs } from './exchange'
export { lastOwn } from './lastOwn'
export { type HeldCall, heldCalls } from './overrules'
export { readJob } from './readJob'
export { factFields, jobSchema, MOST } from './schema'
export { sinceSignoff } from './sinceSignoff'
export { isLanguage, type LanguageId, LANGUAGES } from './languages'
export { type CustomerFacts, customerFields, customerSchema, vehicleFields, vehicleSchema } from './books'
export { type PastJobFacts, pastJobFields, pastJobSchema } from './books'
export { type MailSettings, mailSchema, MOST_MAILED } from './mail'
export type { KeptJob } from './types'
export { upgradeFile } from './upgrade'
export { dayAt, shopPricingSchema, type Workshop, workshopSchema } from './workshop'
export { type Role, roleFor, roleOfAct, ROLES, suffices } from './roles'
export type { RecordSays } from './says'
