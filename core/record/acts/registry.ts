import type { Shape } from '../../check'
import type { ActView } from './define'
import { check, checkView } from './check'
import { choice, choiceView } from './choice'
import { corrections, correctionsView } from './corrections'
import { estimate, estimateView } from './estimate'
import { goodTrace, goodTraceView } from './goodTrace'
import { hole, holeView } from './hole'
import { overrule, overruleView } from './overrule'
import { part, partView } from './part'
import { path, pathView } from './path'
import { photo, photoView } from './photo'
import { pricing, pricingView } from './pricing'
import { read, readView } from './read'
import { rebuilt, rebuiltView } from './rebuilt'
import { release, releaseView } from './release'
import { school, schoolView } from './school'
import { sheet, sheetView } from './sheet'
import { signoff, signoffView } from './signoff'
import { state, stateView } from './state'
import { task, taskView } from './task'
import { undo, undoView } from './undo'
import { usage, usageView } from './usage'
import { waits, waitsView } from './waits'

/**
 * Acts: what people did on a job, in order, never changed afterwards. Each has its own id, so that sending it twice
 * does nothing. A correction is a new reading that names the one it supersedes; taking back is an act too, and so is
 * taking that back. Here stands every type there is, each in its own file.
 */
export const ACTS = {
  read,
  undo,
  corrections,
  part,
  photo,
  state,
  waits,
  sheet,
  overrule,
  pricing,
  path,
  signoff,
  choice,
  task,
  rebuilt,
  hole,
  release,
  check,
  school,
  usage,
  estimate,
  goodTrace
} as const

export type ActType = keyof typeof ACTS

/** An act of one type, as it is kept. */
export type ActOf<T extends ActType> = { [K in ActType]: Shape<ReturnType<(typeof ACTS)[K]['schema']>> }[T]

export type Act = { [K in ActType]: ActOf<K> }[ActType]

export type JobState = ActOf<'state'>['state']
export type WaitsFor = ActOf<'waits'>['for']
export type PartKnown = ActOf<'part'>['known']

/** Is a word one of the types of acts? */
export function isActType(type: unknown): type is ActType {
  return typeof type === 'string' && Object.hasOwn(ACTS, type)
}

/** What each type comes to. */
export const ACT_VIEWS = {
  read: readView,
  undo: undoView,
  corrections: correctionsView,
  part: partView,
  photo: photoView,
  state: stateView,
  waits: waitsView,
  sheet: sheetView,
  overrule: overruleView,
  pricing: pricingView,
  path: pathView,
  signoff: signoffView,
  choice: choiceView,
  task: taskView,
  rebuilt: rebuiltView,
  hole: holeView,
  release: releaseView,
  check: checkView,
  school: schoolView,
  usage: usageView,
  estimate: estimateView,
  goodTrace: goodTraceView
} satisfies { readonly [T in ActType]: ActView<ActOf<T>, never> }
