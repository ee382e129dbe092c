import { compileSheet, type DriveSheet } from '../sheet'
import type { Beats } from './rhythm'

/** The rhythms of a sheet's engine: of its first chain, which the crank drives. */
export function beatsOf(sheet: DriveSheet): Beats {
  const chain = sheet.chains[0]!
  const { teeth } = compileSheet(sheet).sprocket(chain.driver)
  return { cylinders: sheet.engine.cylinders, round: chain.links / teeth, teeth }
}
