import { compileSheet, type Chain, type DriveSheet, type Tensioner } from '../sheet'
import { drivenSprockets, touchingRails } from './elements'
import type { ChainModel, ChainReadout, ChainWear } from './model'
import { degreesPerTooth } from './train'

/** mm of extension per mm of wear where the sheet does not say; known only to about half its size. */
export const RAIL_GAIN_DEFAULT = { arm: 1.2, guide: 0.35, bridge: 0.35 } as const

/** mm of extension per mm of slack. */
export function slackGain(chain: Chain, tensioner: Tensioner): number {
  if (tensioner.gain !== undefined) return tensioner.gain
  const { gainFrom, newExtension } = tensioner
  if (!gainFrom || newExtension === undefined || !chain.counted)
    throw new RangeError(`tensioner ${tensioner.id}: expected gain or gainFrom`)
  return (gainFrom.extension - newExtension) / (gainFrom.elongation * chain.counted.freeLinks * chain.pitch)
}

/**
 * The forward model of a chain known by its counts alone.
 * Slack = ε·freeLinks·p; extension = new + gain·slack + Σ railGain·w + pad, up to the stroke; lag =
 * ε·tight·360/z_driver.
 * @throws RangeError when the sheet has neither `counted` nor what the tensioner needs
 */
export function countedModel(sheet: DriveSheet, chain: Chain): ChainModel {
  const counted = chain.counted
  if (!counted) throw new RangeError(`chain ${chain.id}: expected counted links`)
  const parts = compileSheet(sheet)
  const tensioner = parts.tensionerOf(chain.id)
  const rails = touchingRails(sheet, chain)
  const cams = drivenSprockets(sheet, chain)
  const toothDegrees = degreesPerTooth(sheet, chain)
  const gain = tensioner ? slackGain(chain, tensioner) : 0
  const railGains = rails.map((id) => tensioner?.railGain?.[id] ?? RAIL_GAIN_DEFAULT[parts.rail(id).kind])

  return {
    chain: chain.id,
    rails,
    cams,
    tensioner: tensioner?.id ?? null,
    degreesPerTooth: toothDegrees,
    readout({ elongation, wear, padWear }: ChainWear): ChainReadout {
      const loose = elongation * counted.freeLinks * chain.pitch
      const lag = cams.map((id) => elongation * (counted.tight[id] ?? 0) * toothDegrees)
      if (!tensioner) return { extension: null, armAngle: null, slack: Math.max(0, loose), tooTight: 0, lag }
      const wanted =
        (tensioner.newExtension ?? NaN) + gain * loose + railGains.reduce((sum, g, i) => sum + g * wear[i]!, padWear)
      const extension = Math.min(wanted, tensioner.stroke)
      return { extension, armAngle: null, slack: (wanted - extension) / gain, tooTight: 0, lag }
    }
  }
}
