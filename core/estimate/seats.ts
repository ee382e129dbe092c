import type { Observation } from './observation'
import type { Priors } from './priors'
import type { Train } from './trainProblem'

/**
 * How each cam that was read sits on its shaft: as the maker set it, within this engine's scatter, or moved (a worn
 * pin, a slipped phaser, an earlier wrong setting). That it sits as it should is held as an observation of its own,
 * which may be wrong like a reading: so a cam that all readings find late need not have a stretched chain.
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

/** The observation of how the cam sits whose lag offset stands at a place in u; -1 without one. */
export function seatAt(observations: readonly Observation[], at: number): number {
  return observations.findIndex(
    ({ reading, quantity }) => reading === null && quantity.of === 'untold' && quantity.at === at
  )
}

/** Precision that a prior which stands among the observations is left with, so that nothing is singular without it. */
const LOOSE = 1e-6

/** Precisions of the priors with those that stand among the observations all but taken off. */
export function withoutSeats(precision: number[], observations: readonly Observation[]): number[] {
  for (const { reading, quantity } of observations)
    if (reading === null && quantity.of === 'untold') precision[quantity.at] = LOOSE
  return precision
}
