import { type Fault, MOST_FAULTS } from '../../check'
import { type DriveSheet, partKindOf } from '../../sheet'
import { isNumeric, READING_KINDS, readingTargetFaults } from '../../readings'
import type { JobRecord } from './record'

/** Standing readings, photos and facts of parts that a sheet has no place for. */
export function stranded(on: DriveSheet, { readings, rebuilt, photos, parts }: JobRecord, place: string): Fault[] {
  const lost = [
    ...[...readings, ...rebuilt.map((act) => ({ ...act.reading, id: act.id }))].filter((reading) => readingTargetFaults(on, reading).length > 0).map(({ kind, id }) => `the ${isNumeric(kind) ? READING_KINDS[kind].name.toLowerCase() : 'finding'} of act ${id}`),
    ...[...photos.map(({ part }) => part), ...parts.keys()].filter((part) => !partKindOf(on, part)).map((part) => `what is kept of "${part}"`)
  ]
  return lost.slice(0, MOST_FAULTS).map((what) => ({ place, message: `has no place for ${what}: take that back first` }))
}
