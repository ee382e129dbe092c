import type { Explanation } from '../../estimate'
import type { Assessment } from '../../paths'

/** An assessment as if an explanation of its readings were true: how the drive would stand; nothing is called of it. */
export function standAs(assessment: Assessment, { state }: Explanation): Assessment {
  const of = <T>(all: Readonly<Record<string, T>>, change: (one: T, id: string) => T): Record<string, T> =>
    Object.fromEntries(Object.entries(all).map(([id, one]) => [id, change(one, id)]))
  return {
    ...assessment,
    calls: [],
    chains: of(assessment.chains, (chain, id) => ({
      ...chain,
      elongation: { ...chain.elongation, mean: state.chains[id] ?? chain.elongation.mean }
    })),
    rails: of(assessment.rails, (rail, id) => ({ wear: { ...rail.wear, mean: state.rails[id] ?? rail.wear.mean } })),
    tensioners: of(assessment.tensioners, (one, id) => ({
      ...one,
      extension: { ...one.extension, read: null, predicted: state.extensions[id] ?? one.extension.predicted },
      padWear: { ...one.padWear, mean: state.pads[id] ?? one.padWear.mean }
    })),
    cams: of(assessment.cams, (cam, id) => {
      const stands = state.cams[id]
      if (!stands) return cam
      const { lag, wearLag, teeth } = stands
      return { ...cam, lag: { ...cam.lag, mean: lag }, wearLag, jump: { ...cam.jump, teeth, odds: 1, all: {} } }
    })
  }
}
