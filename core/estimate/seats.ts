import type { Observation } from './observation'
import type { Priors } from './priors'
import type { Train } from './trainProblem'

/**
 * How each cam that was read sits on its shaft: as the maker set it, within this engine's scatter, or moved (a worn
 * pin,
 * a slipped phaser, an earlier wrong setting). That it sits as it should is held as an observation of its own, which
 * may
 * be wrong like a reading: so a cam that all readings find late need not have a stretched chain.
 */
export function seatsOf(
  { cams, parts, scale }: Train,
  observations: readonly Observation[],
  priors: Priors
): Observation[] {
  return cams.flatMap(({ part, place }, cam): Observation[] => {
    if (!observations.some(({ quantity }) => quantity.of === 'lag' && quantity.cam === cam)) return []
    const at = parts[part]!.at.lag + place
    return [
      {
        reading: null,
        kind: 'condition',
        part,
        value: 0,
        whole: scale[at]!,
        sigma: scale[at]!,
        hand: null,
        quantity: { of: 'untold', at },
        wrong: priors.moved.odds,
        ways: [{ as: 'moved', share: 1, value: 0, times: 1, spread: priors.moved.sd }],
        teeth: cams.map(() => 0)
      }
    ]
  })
}

/** Places in u whose prior stands among the observations. */
export function seatedAt(observations: readonly Observation[]): number[] {
  return observations.flatMap(({ reading, quantity }) =>
    reading === null && quantity.of === 'untold' ? [quantity.at] : []
  )
}

/** Precision that such a prior is left with, so that nothing is singular while it is set aside. */
export const LOOSE = 1e-6
