import { seedOf } from '../math'
import type { Reading } from './types'

/** A reading with the id that assessments name it by. */
export type KnownReading = Reading & { readonly id: string }

/**
 * Readings with an id each. One that a file gives none is named by what it says, so that it keeps its id whatever is read
 * before or after it; where two would have the same, the later ones are numbered.
 */
export function withIds(readings: readonly Reading[]): KnownReading[] {
  const taken = new Set<string>()
  return readings.map((reading) => {
    const id = freeId(reading.id || `r-${seedOf(JSON.stringify(Object.entries(reading).sort(([a], [b]) => (a < b ? -1 : 1)))).toString(36)}`, taken)
    taken.add(id)
    return reading.id === id ? (reading as KnownReading) : { ...reading, id }
  })
}

function freeId(wanted: string, taken: ReadonlySet<string>): string {
  if (!taken.has(wanted)) return wanted
  let number = 2
  while (taken.has(`${wanted}-${number}`)) number++
  return `${wanted}-${number}`
}
