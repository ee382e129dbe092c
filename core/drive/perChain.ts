import type { Chain, DriveSheet } from '../sheet'

/** What is found once for a chain of a sheet that somebody holds, as an estimate makes many models of one chain. */
export function perChain<T>(find: (sheet: DriveSheet, chain: Chain) => T): (sheet: DriveSheet, chain: Chain) => T {
  const known = new WeakMap<DriveSheet, Map<string, T>>()
  return (sheet, chain) => {
    const ofSheet = known.get(sheet) ?? new Map<string, T>()
    known.set(sheet, ofSheet)
    if (!ofSheet.has(chain.id)) ofSheet.set(chain.id, find(sheet, chain))
    return ofSheet.get(chain.id)!
  }
}
