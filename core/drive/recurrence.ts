import { compileSheet, type Chain, type DriveSheet } from '../sheet'
import { stageOf } from './train'

/**
 * Crank turns after which the coloured links stand at the marks again: the chain must have passed whole loops and whole
 * turns of every marked sprocket on it, and the crank whole turns. For cams with twice the driver's teeth that is
 * lcm(links, 2·z_driver)/z_driver.
 */
export function colouredLinksReturn(sheet: DriveSheet, chain: Chain): number {
  const driver = compileSheet(sheet).sprocket(chain.driver).teeth
  const marked = sheet.sprockets.filter((s) => chain.path.includes(s.id) && compileSheet(sheet).markOf(s.id) !== null)
  const advance = [driver, ...marked.map((s) => s.teeth)].reduce(lcm, chain.links)
  const turns = advance / (driver * Math.abs(stageOf(sheet, chain).speed))
  for (let loops = 1; loops <= MOST_LOOPS; loops++) {
    if (Math.abs(loops * turns - Math.round(loops * turns)) < 1e-6) return Math.round(loops * turns)
  }
  return Math.round(MOST_LOOPS * turns)
}

/** Gear ratios of odd teeth could need very many; nobody turns that far. */
const MOST_LOOPS = 400

function lcm(a: number, b: number): number {
  return (a * b) / gcd(a, b)
}

function gcd(a: number, b: number): number {
  return b === 0 ? a : gcd(b, a % b)
}
