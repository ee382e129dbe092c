import type { Act, ActOf, JobRecord } from '../../../core/record'
import { fills, type Slot } from '../../../core/views/bench'
import type { PastReading } from './ReadingList.vue'

/** Readings of a slot that no longer stand, the latest first, each with what took its place. */
export function pastReadings(acts: readonly Act[], record: JobRecord, slot: Slot): PastReading[] {
  return acts
    .filter((act): act is ActOf<'read'> => act.type === 'read' && fills(slot, act.reading))
    .flatMap((act) => {
      const because = record.undone.has(act.id)
        ? acts.findLast((a): a is ActOf<'undo'> => a.type === 'undo' && a.act === act.id && !record.undone.has(a.id))
        : acts.find((a): a is ActOf<'read'> => a.type === 'read' && a.id === record.superseded.get(act.id))
      return because ? [{ act, because }] : []
    })
    .toReversed()
}
