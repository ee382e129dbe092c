import type { Corrections } from './corrections'
import { compileSheet, type Chain, type DriveSheet } from '../sheet'
import { isCharted } from './centred'
import { chartedModel } from './charted'
import { contourAt, linksRound } from './contour'
import type { ChainWear } from './model'

/** Where a chain hangs loose once its tensioner lets go. */
export interface SlackMap {
  /** mm of chain more than the loop needs with the arm as far back as it goes. */
  slack: number
  /** The strand it gathers in after turning forward: from the driver to the first driven sprocket of the travel. */
  gathers: { from: string; to: string }
  /** mm that the longest span of that strand can be pushed out at its middle. */
  sag: number
  /**
   * Strands between driven sprockets: slack seen there with the engine stopped only means that the cams kicked back.
   */
  kickBack: { from: string; to: string }[]
}

/**
 * Where slack appears if the tensioner lets go: the driver pulls the strand running into it tight, so after turning in
 * the running direction all slack lies behind it, on the strand it pays out. A span L with s of slack sags by
 * √(3·L·s/8) at its middle (flat parabola).
 * @returns null for a chain without coordinates
 */
export function slackMap(
  sheet: DriveSheet,
  chain: Chain,
  state: ChainWear,
  corrections: Corrections = {}
): SlackMap | null {
  if (!isCharted(sheet, chain)) return null
  const { elements, linkLength } = chartedModel(sheet, chain, corrections)
  const length = linkLength(state.elongation)
  const tensioner = compileSheet(sheet).tensionerOf(chain.id)
  const contours = (tensioner?.armRange ?? [0, 0])
    .map((angle) => contourAt(elements, angle, state.wear))
    .filter((c) => c !== null)
  if (contours.length === 0) return null
  const loosest = contours.reduce((a, b) => (linksRound(elements, b, length) < linksRound(elements, a, length) ? b : a))
  const slack = Math.max(0, (chain.links - linksRound(elements, loosest, length)) * length)
  const sprockets = [...chain.path.filter((id) => compileSheet(sheet).sprockets.has(id)), chain.driver]
  const first = elements.findIndex(({ id }) => id === sprockets[1])
  const spans = loosest.straight.filter((_, i) => loosest.touched[i]! < first)
  return {
    slack,
    gathers: { from: chain.driver, to: sprockets[1]! },
    sag: Math.sqrt((3 * Math.max(...spans) * slack) / 8),
    kickBack: sprockets.slice(1, -2).map((from, i) => ({ from, to: sprockets[i + 2]! }))
  }
}
