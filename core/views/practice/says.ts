import { faultsOf, messagesOf } from '../../check'
import type { InspectionKind } from './inspections'

/** What is wrong with a practice case and with moves, by code. */
export interface CaseSays {
  'no-coordinates': {}
  'no-finding-on': { finding: string; target: string }
  'moves-at-most': { max: number }
  'one-of-moves': { words: readonly string[] }
  'a-case': {}
  'a-move': {}
}

export const say = messagesOf<CaseSays>()
export const faultAt = faultsOf<CaseSays>()

/** What a customer says of a drawn engine. */
export interface ComplaintSays {
  'down-on-power': {}
  'since-the-cams-were-out': {}
  'rattles-at-idle': {}
  'since-oil-change': {}
  'no-complaint': {}
  'hard-knock': {}
  'fears-for-the-chain': {}
  'sudden-rattle': {}
  grinds: {}
  'seconds-of-rattle': {}
  'new-tensioner': {}
  'sewing-machine': {}
  'rails-renewed-elsewhere': {}
  'card-says-stretched': {}
  'warning-light': {}
  'cuts-out': {}
  'drips-at-the-front': {}
  'found-slack': {}
  'card-says-count': { links: number; from: string; to: string }
}

/**
 * What was looked at: an inspection by its kind, part and, for a length, how many links; `as-told`: as an older version
 * named it.
 */
export type LookedAtFigures = { kind: InspectionKind | 'as-told'; part: string; links: number }

/** What to take along from a case. */
export interface LessonSays {
  /** What the fault itself teaches. */
  'of-fault': { fault: string }
  misread: LookedAtFigures & { entered: string; shown: string; unit: string; findingKind: string }
  needless: { part: string }
  'turned-back': {}
  'followed-not': LookedAtFigures
  'would-have-told': LookedAtFigures & { minutes: number }
  luck: { part: string }
  idle: LookedAtFigures & { minutes: number }
  'look-in-reach': {}
  'measure-twice': {}
}

export const complain = messagesOf<ComplaintSays>()
export const lesson = messagesOf<LessonSays>()
