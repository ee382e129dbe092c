import type { DriveSheet } from './types'

/** Banks of a drive, by its sprockets. */
export function banksOf({ sprockets }: DriveSheet): number[] {
  return [...new Set(sprockets.flatMap(({ bank }) => (bank === undefined ? [] : [bank])))].sort((a, b) => a - b)
}

/** The bank that a part belongs to: a sprocket's own, of another part that of its chain's; null where it is of none. */
export function bankOf(sheet: DriveSheet, part: string): number | null {
  const own = sheet.sprockets.find(({ id }) => id === part)
  if (own?.bank !== undefined) return own.bank
  const chain = sheet.chains.find(
    ({ id, path }) =>
      id === part || path.includes(part) || sheet.tensioners.some((t) => t.id === part && t.chain === id)
  )
  const banks = new Set(sheet.sprockets.flatMap(({ id, bank }) => (chain?.path.includes(id) && bank ? [bank] : [])))
  return banks.size === 1 ? [...banks][0]! : null
}
