/** One measurement: what, on which part, with what uncertainty. */
export type NumericKind = 'extension' | 'groove' | 'padWear' | 'camLag' | 'linkCount' | 'chainLength' | 'chainCompare' | 'phaserPlay'

/** A figure, or a finding from the closed list (readings/conditions.ts). */
export type ReadingKind = NumericKind | 'condition'

/** A reading as job files hold it. Which target fields it has depends on its kind (readings/kinds.ts). */
export interface Reading {
  kind: ReadingKind
  /** In the kind's unit; absent on an extension given in notches, and on a condition. */
  value?: number
  /** Ratchet notches showing, instead of `value`. */
  notches?: number
  /** In the kind's unit; the method's default when absent. */
  sigma?: number
  method?: string
  /** Was the drive last turned in its running direction? Not said counts as not known. */
  turnedForward?: boolean
  /** camLag: was the phaser locked at its rest position? Only `false` widens the reading. */
  phaserLocked?: boolean
  tensioner?: string
  rail?: string
  sprocket?: string
  chain?: string
  from?: string
  to?: string
  links?: number
  phaser?: string
  /** chainLength, chainCompare: which place along the chain, from 1. */
  place?: number
  /** condition: id of the part, or `oil`, `fasteners`, `engine`. */
  target?: string
  /** condition: what was found. */
  finding?: string
  /** condition of the engine: at which bank. */
  bank?: number
  /** condition: how many, for pieces missing, found or accepted. */
  count?: number
  id?: string
  by?: string
  at?: string
  note?: string
}
