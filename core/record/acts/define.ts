import type { AnySchema } from 'yup'
import { type Fault, moment, needed, oneOf, shape, type Shape, text, words } from '../../check'
import type { DriveSheet } from '../../sheet'
import { say } from '../says'
import type { AnyAct, Standing } from './standing'

/** Who may put an act on a job; a customer's comes through a share alone. */
export type Who = 'mechanic' | 'foreman' | 'customer'

/** What an act is held against: the job before it. */
export interface JobBefore {
  /** The drive sheet in force. */
  sheet: DriveSheet
  /** The one the job was opened with. */
  opened: DriveSheet
  /** The acts before it, by id; where the act does not lock its job, at least the one that it names. */
  acts: ReadonlyMap<string, AnyAct>
  /** Does an act move the job to another sheet, or take such a move back or forth? */
  movesSheet: (id: string) => boolean
}

/** The same with the way to name a place in the act's file. */
export interface ActPlace extends JobBefore {
  at: (field: string) => string
  /** What acts come to, in their order. */
  comesTo: (acts: readonly AnyAct[]) => Standing
}

/** How one type of act is checked; what it comes to stands beside it in the same file. */
export interface ActKind<T extends string, S extends AnySchema> {
  type: T
  /** Structure of the act as it is kept, made when it is first asked for. Its type comes from here. */
  schema: () => S
  /** Structure of what a page sends, where the server makes the act out of it. */
  entry?: () => AnySchema
  /**
   * Does it change a job's state or sheet, or rest on every act before it? Then nothing else changes the job meanwhile.
   */
  locks: boolean
  who: Who
  /** What makes it none on this job, beyond its structure. */
  faults?: (act: Shape<S>, place: ActPlace) => Fault[]
}

/** What a type of act comes to: all that a page needs of it, apart from how it is checked. */
export interface ActView<A, R> {
  /** Adds what it says to what the acts before it came to. */
  fold?: (record: R, act: A) => void
}

/** What every act has: its own id, so that sending it twice does nothing, whose it is, and the moment at the bench. */
const base = () => ({
  id: text(64).required(needed).min(1, needed),
  by: words(80, say('who')),
  /** Who made it on a device, where somebody else took it over under their own name. */
  madeBy: text(80),
  at: moment().required(needed)
})

/** The structure of an act of a type. */
export const actShape = <T extends string, F extends Record<string, AnySchema>>(type: T, fields: F) =>
  shape({ ...base(), type: oneOf(type).required(needed), ...fields }).required(say('an-act'))
