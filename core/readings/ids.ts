import { seedOf } from '../math'
import type { Reading } from './types'

/** A reading with the id that assessments name it by. */
export type KnownReading = Reading & { readonly id: string }

/**
 * Readings with an id each. One that a file gives none is named by what it says, so that it keeps its id whatever is
 * read before or after it; where two would have the same, the later ones are numbered.
 */
export function withIds(readings: readonly Reading[]): KnownReading[] {
  const taken = new Set<string>()
  const lastNumbers = new Map<string, number>()
  const freeId = (wanted: string): string => {
    if (!taken.has(wanted)) return wanted
    let number = lastNumbers.get(wanted) ?? 1
    do number++
    while (taken.has(`${wanted}-${number}`))
    lastNumbers.set(wanted, number)
    return `${wanted}-${number}`
  }
  return readings.map((reading) => {
    const id = freeId(reading.id || nameOf(reading))
    taken.add(id)
    return reading.id === id ? (reading as KnownReading) : { ...reading, id }
  })
}

function nameOf(reading: Reading): string {
  const fields = Object.entries(reading).sort(([a], [b]) => (a < b ? -1 : 1))
  return `r-${seedOf(JSON.stringify(fields)).toString(36)}`
}
