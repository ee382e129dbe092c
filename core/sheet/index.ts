export { sheetChanges } from './changes'
export { clockAngle, isClock } from './clock'
export { type CountedAnswers, type CountedChain, type CountedNames, sheetFromCounts } from './fromCounts'
export { limitFor } from './limits'
export { type CompiledSheet, compileSheet, partKindOf } from './compile'
export { PART_KINDS, type PartKind, STANDING_TARGETS } from './partKinds'
export { driveSchema } from './schema'
export type {
  AlwaysRenewed,
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
  Tensioner,
  Torque,
  WayIn
} from './types'
export { workshopFaults } from './workshopFaults'
export type { SheetEntry, SheetSays } from './says'
