import type { Corrections } from './corrections'
import type { Chain, DriveSheet } from '../sheet'
import { isCharted } from './centred'
import { chartedModel, type ChartedModel } from './charted'
import { countedModel } from './counted'
import type { ChainModel } from './model'

/** Does a model carry geometry that can be drawn? */
export function isChartedModel(model: ChainModel): model is ChartedModel {
  return 'settle' in model
}

/** Corrections with what is guessed besides: how a counted chain's extension bends off, by chain. */
export type Guess = Corrections & { bend?: Readonly<Record<string, number>> }

/**
 * The forward model of a chain, from coordinates where the sheet has them, else from its counts.
 * Temperature and skim shift only a drive with coordinates: a counted sheet has no lengths for them to act on.
 * @throws RangeError when the sheet is not sound (sheetFaults names what is wrong)
 */
export function chainModel(sheet: DriveSheet, chain: Chain, corrections: Guess = {}): ChainModel {
  return isCharted(sheet, chain)
    ? chartedModel(sheet, chain, corrections)
    : countedModel(sheet, chain, corrections.bend?.[chain.id])
}
