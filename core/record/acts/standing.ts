import type { Reading } from '../../readings'
import type { DriveSheet } from '../../sheet'

/** A reading that stands, with who took it and when. */
export type StandingReading = Reading & { id: string; by: string; at: string }

/** Any act, as far as the checks of others look at it. */
export interface AnyAct {
  readonly id: string
  readonly type: string
  readonly reading?: Reading
}

/** What a job's acts come to, as far as another sheet must have a place for it. */
export interface Standing {
  readings: readonly StandingReading[]
  rebuilt: readonly { id: string; reading: Reading }[]
  photos: readonly { part: string }[]
  parts: ReadonlyMap<string, unknown>
  /** The revision the job was moved to last. */
  moved: { sheet: DriveSheet } | null
}
