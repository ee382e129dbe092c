export { bankOf, banksOf } from './banks'
export { sheetChanges } from './changes'
export { clockAngle, isClock } from './clock'
export { type CountedAnswers, type CountedChain, type CountedNames, sheetFromCounts } from './fromCounts'
export { LIMIT_KINDS, type LimitKindSpec } from './limitKinds'
export { limitFor } from './limits'
export { type CompiledSheet, compileSheet, partKindOf } from './compile'
export {
  BESIDE_KINDS,
  type BesideKind,
  PART_KINDS,
  type PartKind,
  RESERVED_TARGETS,
  STANDING_KINDS,
  STANDING_TARGETS
} from './partKinds'
export { driveSchema, triggersSchema } from './schema'
export type {
  AlwaysRenewed,
  Beside,
  Chain,
  DriveSheet,
  Limit,
  LimitKind,
  LimitValue,
  Operation,
  Phaser,
  Rail,
  SparePart,
  Sprocket,
  StopGap,
  Tensioner,
  Torque,
  WayIn
} from './types'
export { workshopFaults } from './workshopFaults'
export { supersededBy } from './superseded'
export type { SheetEntry, SheetSays } from './says'
