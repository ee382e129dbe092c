import type { DriveSheet } from './types'

type Superseded = NonNullable<DriveSheet['superseded']>[number]

/** A part number as it is compared: capitals and digits alone, however it is spaced. */
const plain = (number: string) => number.toUpperCase().replaceAll(/[^0-9A-Z]/g, '')

/** The superseded design that a part's number, as it was read off it, belongs to; null for any other number. */
export function supersededBy({ superseded = [] }: DriveSheet, part: string, number: string): Superseded | null {
  const read = plain(number)
  if (read === '') return null
  return superseded.find((one) => one.part === part && one.numbers?.some((known) => plain(known) === read)) ?? null
}
