import { type Fault, MOST_FAULTS } from '../../check'
import { type DriveSheet, partKindOf } from '../../sheet'
import { readingTargetFaults } from '../../readings'
import { faultAt } from '../says'
import type { Standing } from './standing'

/** Standing readings, photos and facts of parts that a sheet has no place for. */
export function findStranded(on: DriveSheet, { readings, rebuilt, photos, parts }: Standing, place: string): Fault[] {
  const lost = [
    ...[...readings, ...rebuilt.map((act) => ({ ...act.reading, id: act.id }))]
      .filter((reading) => readingTargetFaults(on, reading).length > 0)
      .map(({ kind, id }) => faultAt(place, 'no-place-for-reading', { kind, act: id })),
    ...[...photos.map(({ part }) => part), ...parts.keys()]
      .filter((part) => !partKindOf(on, part))
      .map((part) => faultAt(place, 'no-place-for-part', { part }))
  ]
  return lost.slice(0, MOST_FAULTS)
}
