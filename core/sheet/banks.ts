import type { DriveSheet } from './types'

/** Banks of a drive, by its sprockets. */
export function banksOf({ sprockets }: DriveSheet): number[] {
  return [...new Set(sprockets.flatMap(({ bank }) => (bank === undefined ? [] : [bank])))].sort((a, b) => a - b)
}
