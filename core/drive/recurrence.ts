import type { Chain, DriveSheet } from '../sheet/types'

/**
 * Crank turns after which the coloured links stand at the marks again: lcm(links, 2·z_driver)/z_driver, for cams with
 * twice the driver's teeth.
 */
export function colouredLinksReturn(sheet: DriveSheet, chain: Chain): number {
  const teeth = sheet.sprockets.find((s) => s.id === chain.driver)!.teeth
  return (chain.links * 2 * teeth) / gcd(chain.links, 2 * teeth) / teeth
}

function gcd(a: number, b: number): number {
  return b === 0 ? a : gcd(b, a % b)
}
