import type { Assessment } from '../../paths'
import { chainModel, type Corrections } from '../../drive'
import { NINETY } from '../../math'
import { PRIORS, type Priors } from '../../estimate'
import { extensionToNotches, type Reading } from '../../readings'
import { compileSheet, type DriveSheet } from '../../sheet'

/** What a reading should show on the drive as it was built up, and how far either way is no surprise (90 %). */
export interface ExpectedReading {
  kind: 'extension' | 'camLag' | 'linkCount'
  /** Id of tensioner or sprocket; of the chain for a count. */
  target: string
  from?: string
  to?: string
  value: number
  /** Half width of the 90 % interval in the reading's unit; 0 for a count. */
  within: number
  /** Notches showing, on a ratchet. */
  notches?: number
}

/**
 * What is read at an expected line, as a reading: at its place, the engine turned forward last.
 * @param value in the reading's unit; as expected unless another is given
 */
export function readingExpected(
  { kind, target, from, to, value: expected }: ExpectedReading,
  value = expected
): Reading {
  const place =
    kind === 'linkCount'
      ? { chain: target, from, to }
      : kind === 'extension'
        ? { tensioner: target }
        : { sprocket: target }
  return { kind, ...place, value, turnedForward: true } as Reading
}

/**
 * What to read on a rebuilt drive: renewed parts stand as new, those that went back as they were estimated. The
 * interval holds the scatter of new engines and, through the model, the doubt about each part that went back.
 * @param renew components renewed
 */
export function expectedRebuilt(
  sheet: DriveSheet,
  before: Assessment,
  renew: readonly string[],
  corrections: Corrections = {},
  priors: Priors = PRIORS
): ExpectedReading[] {
  return sheet.chains.flatMap((chain): ExpectedReading[] => {
    const model = chainModel(sheet, chain, corrections)
    const kept = (id: string, spread: { mean: number; sd: number }) =>
      renew.includes(id) ? { mean: 0, sd: 0 } : spread
    const elongation = kept(chain.id, before.chains[chain.id]!.elongation)
    const wears = model.rails.map((id) => kept(id, before.rails[id]!.wear))
    const pad = model.tensioner
      ? kept(model.tensioner, before.tensioners[model.tensioner]!.padWear)
      : { mean: 0, sd: 0 }
    const state = { elongation: elongation.mean, wear: wears.map(({ mean }) => mean), padWear: pad.mean }
    const middle = model.readout(state)
    // One step of each doubt at a time: the changes add in quadrature.
    const steps = [
      { ...state, elongation: state.elongation + elongation.sd },
      ...wears.map(({ sd }, i) => ({ ...state, wear: state.wear.map((w, k) => (k === i ? w + sd : w)) })),
      { ...state, padWear: state.padWear + pad.sd }
    ].map((at) => model.readout(at))
    const doubt = (of: (readout: typeof middle) => number, scatter: number) =>
      NINETY * Math.hypot(scatter, ...steps.map((step) => of(step) - of(middle)))
    const ratchet = compileSheet(sheet).tensionerOf(chain.id)?.ratchet
    return [
      ...chain.counts.map(({ from, to, links }) => ({
        kind: 'linkCount' as const,
        target: chain.id,
        from,
        to,
        value: links,
        within: 0
      })),
      ...model.cams.map((target, i) => ({
        kind: 'camLag' as const,
        target,
        value: middle.lag[i]! + (corrections.offsetKeys?.[target] ?? 0),
        within: doubt((r) => r.lag[i]!, priors.lagScatter)
      })),
      ...(middle.extension === null || model.tensioner === null
        ? []
        : [
            {
              kind: 'extension' as const,
              target: model.tensioner,
              value: middle.extension,
              within: doubt((r) => r.extension ?? NaN, priors.extensionScatter),
              ...(ratchet ? { notches: extensionToNotches(ratchet, middle.extension) } : {})
            }
          ])
    ]
  })
}
