import { messagesOf } from '../../check'

/** Things that are carried into an open engine and must all come out again. */
export const COUNTED_ITEMS = ['rags', 'tools', 'magnets', 'bolts'] as const
export type CountedItem = (typeof COUNTED_ITEMS)[number]

/** Steps of the build-up and of the proof. Operations, bolts and tools are named as the sheet names them. */
export interface TaskSays {
  'part-received': { part: string }
  'part-length': { part: string }
  'part-fitted': { part: string }
  'item-new': { name: string; quantity: number; stretch: boolean }
  tool: { tool: string }
  'close-again': { operation: string }
  torque: { bolt: string; count: number; step: number; steps: number }
  'went-in': { item: CountedItem }
  'came-out': { item: CountedItem }
  coolant: {}
  'oil-and-filter': {}
  'oil-level': {}
  'first-start': {}
  'noise-gone': {}
  'codes-cleared': {}
  relearn: {}
  'no-leaks': {}
  'oil-level-again': {}
}

/** What is said before a step, not after it. */
export interface StepCautionSays {
  'revised-design': { design: string; source: string }
  'banks-apart': {}
  'new-bolts-only': {}
  'left-hand-thread': {}
  'stop-at-once': {}
  /** The sheet's own caution. */
  'of-the-sheet': { text: string }
}

/** What a difference after two turns can mean. */
export interface MeaningSays {
  'moved-while-turned': {}
  'counts-off': { from: string; to: string }
  'too-far-in': {}
  'too-far-out': {}
  'less-than-a-tooth': { off: number }
  /** `at` null: at the crank, as every cam of the chain is off. */
  'teeth-off': { teeth: number; at: string | null }
}

/** What holds an engine, beside the reasons of its calls; what each means or asks for stands with it. */
export interface HoldSays {
  'valves-may-have-touched': {}
  'left-inside': { item: CountedItem; into: number; out: number }
  'two-turns-differ': {}
  'two-turns-open': { open: number; all: number }
  'steps-open': { open: number }
}

/** What releases a hold of the build-up. */
export interface HoldReleaseSays {
  'note-what-was-found': {}
  'compression-entered': {}
  'find-and-count': {}
  'set-and-turn': {}
  'turn-and-read': {}
  'tick-each': {}
}

export const task = messagesOf<TaskSays>()
export const caution = messagesOf<StepCautionSays>()
export const meaning = messagesOf<MeaningSays>()
export const hold = messagesOf<HoldSays>()
export const releaseOf = messagesOf<HoldReleaseSays>()
