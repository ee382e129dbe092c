import { extensionToNotches } from '../readings/sigma'
import type { Corrections } from '../job/types'
import type { DriveSheet } from '../sheet/types'
import { chainModel } from '../drive/chainModel'
import { asNew } from '../drive/model'
import { PRIORS, type Priors } from './priors'

/** What a reading should show on a drive built up with new parts, and how far either way is no surprise (90 %). */
export interface NewReading {
  kind: 'extension' | 'camLag' | 'linkCount' | 'chainLength'
  /** Id of tensioner, sprocket or chain. */
  target: string
  from?: string
  to?: string
  value: number
  /** Half width of the 90 % interval, from the scatter of new engines; 0 for a count. */
  within: number
  /** Notches showing, on a ratchet. */
  notches?: number
  /** Links it is measured over, for a length. */
  links?: number
}

/** Standard normal deviate that holds 90 % between its plus and minus. */
const NINETY = 1.645

/**
 * What each reading should show on a new drive of this sheet: extension, lags and counts to check a build-up against,
 * and the length of a new chain over `benchLinks`. What is known of the engine (skim, temperature) is in it.
 */
export function newDrive(sheet: DriveSheet, corrections: Corrections = {}, benchLinks = 20, priors: Priors = PRIORS): NewReading[] {
  return sheet.chains.flatMap((chain): NewReading[] => {
    const model = chainModel(sheet, chain, corrections)
    const { extension, lag } = model.readout(asNew(model))
    const ratchet = sheet.tensioners.find((t) => t.id === model.tensioner)?.ratchet
    const links = Math.min(benchLinks, chain.links)
    return [
      ...(extension === null ? [] : [{ kind: 'extension' as const, target: model.tensioner!, value: extension, within: NINETY * priors.extensionScatter, ...(ratchet ? { notches: extensionToNotches(ratchet, extension) } : {}) }]),
      ...model.cams.map((target, i) => ({ kind: 'camLag' as const, target, value: lag[i]! + (corrections.offsetKeys?.[target] ?? 0), within: NINETY * priors.lagScatter })),
      ...chain.counts.map(({ from, to, links: value }) => ({ kind: 'linkCount' as const, target: chain.id, from, to, value, within: 0 })),
      { kind: 'chainLength', target: chain.id, links, value: links * chain.pitch, within: 0.0005 * links * chain.pitch }
    ]
  })
}
