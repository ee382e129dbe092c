import { compileSheet, type Chain, type DriveSheet, type Tensioner } from '../sheet'
import { countedOf } from './centred'
import { camsOf, touchingRails } from './elements'
import type { ChainModel, ChainReadout, ChainWear } from './model'
import { degreesPerTooth } from './train'

/** mm of extension per mm of wear where the sheet does not say; known only to about half its size. */
export const RAIL_GAIN_DEFAULT = { arm: 1.2, guide: 0.35, bridge: 0.35 } as const

/** mm of extension per mm of slack. */
export function slackGain(sheet: DriveSheet, chain: Chain, tensioner: Tensioner): number {
  if (tensioner.gain !== undefined) return tensioner.gain
  const { gainFrom, newExtension } = tensioner
  const counted = countedOf(sheet, chain)
  if (!gainFrom || newExtension === undefined || !counted)
    throw new RangeError(`tensioner ${tensioner.id}: expected gain or gainFrom`)
  return (gainFrom.extension - newExtension) / (gainFrom.elongation * counted.freeLinks * chain.pitch)
}

/** fraction: where a curve that is known by its slope alone is taken to be half way to its end. */
const USUAL_REACH = 0.004
/** A curve no flatter at its end than this share of its chord. */
const FLATTEST = 0.8

/** How a counted chain's extension grows with its elongation. */
interface Curve {
  /** Elongation of the far known point, fraction, and mm of extension from new to there. */
  reach: number
  rise: number
  /**
   * Whether a third point says how it bends, and how: share of the chord that it starts steeper by, ends flatter by.
   */
  bend: number | null
}

/** The extension curve of a counted chain as far as its sheet says. */
export function extensionCurve(sheet: DriveSheet, chain: Chain, tensioner: Tensioner): Curve {
  const { gainFrom, gainVia, newExtension = NaN } = tensioner
  const reach = gainFrom?.elongation ?? USUAL_REACH
  const rise = slackGain(sheet, chain, tensioner) * reach * (countedOf(sheet, chain)?.freeLinks ?? NaN) * chain.pitch
  if (!gainVia || gainVia.elongation >= reach) return { reach, rise, bend: null }
  const share = gainVia.elongation / reach
  const bend = ((gainVia.extension - newExtension) / (rise * share) - 1) / (1 - share)
  return { reach, rise, bend: clampBend(bend) }
}

function clampBend(bend: number): number {
  return Math.min(Math.max(bend, -FLATTEST), FLATTEST)
}

/**
 * mm of extension over new at an elongation: rise·x·(1 + bend·(1 − x)) with x = ε/reach, straight on beyond the reach.
 */
function alongCurve({ reach, rise }: Curve, bend: number, elongation: number): number {
  const x = elongation / reach
  return x <= 1 ? rise * x * (1 + bend * (1 - x)) : rise * (1 + (x - 1) * (1 - bend))
}

/**
 * The forward model of a chain known by its counts alone.
 * Slack = ε·freeLinks·p; extension = new + the curve through the sheet's points (gain·slack where it has two of them) +
 * Σ railGain·w + pad, up to the stroke; lag = ε·tight·360/z_driver.
 * @param guess what is guessed of how the extension bends off, where the sheet has no third point
 * @throws RangeError when the sheet has neither `counted` nor what the tensioner needs
 */
export function countedModel(sheet: DriveSheet, chain: Chain, guess = 0): ChainModel {
  const counted = countedOf(sheet, chain)
  if (!counted) throw new RangeError(`chain ${chain.id}: expected counted links`)
  const parts = compileSheet(sheet)
  const tensioner = parts.tensionerOf(chain.id)
  const rails = touchingRails(sheet, chain)
  const cams = camsOf(sheet, chain)
  const toothDegrees = degreesPerTooth(sheet, chain)
  const gain = tensioner ? slackGain(sheet, chain, tensioner) : 0
  const curve = tensioner ? extensionCurve(sheet, chain, tensioner) : null
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
      if (!tensioner || !curve) return { extension: null, armAngle: null, slack: Math.max(0, loose), tooTight: 0, lag }
      const wanted =
        (tensioner.newExtension ?? NaN) +
        alongCurve(curve, curve.bend ?? clampBend(guess), elongation) +
        railGains.reduce((sum, g, i) => sum + g * wear[i]!, padWear)
      const extension = Math.min(wanted, tensioner.stroke)
      return { extension, armAngle: null, slack: (wanted - extension) / gain, tooTight: 0, lag }
    }
  }
}
