import type { Shape } from '../../check'
import { check } from './check'
import { choice } from './choice'
import { corrections } from './corrections'
import { hole } from './hole'
import { overrule } from './overrule'
import { part } from './part'
import { path } from './path'
import { photo } from './photo'
import { pricing } from './pricing'
import { read } from './read'
import { rebuilt } from './rebuilt'
import { release } from './release'
import { school } from './school'
import { sheet } from './sheet'
import { signoff } from './signoff'
import { state } from './state'
import { task } from './task'
import { undo } from './undo'
import { waits } from './waits'

/**
 * Acts: what people did on a job, in order, never changed afterwards. Each has its own id, so that sending it twice does
 * nothing. A correction is a new reading that names the one it supersedes; taking back is an act too, and so is taking
 * that back. Here stands every type there is, each in its own file.
 */
export const ACTS = { read, undo, corrections, part, photo, state, waits, sheet, overrule, pricing, path, signoff, choice, task, rebuilt, hole, release, check, school } as const

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
