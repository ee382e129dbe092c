import { chainModel, type ChainWear } from '../../core/drive'
import type { Reading } from '../../core/readings'
import type { DriveSheet } from '../../core/sheet'
import { randomness } from '../../core/math'

export interface Truth extends ChainWear {
  teeth: number[]
}

/** A worn drive drawn from the priors and noisy readings of it, of the sheet's first chain. */
export function simulated(
  sheet: DriveSheet,
  seed: number,
  { withLength, withCounts = false }: { withLength: boolean; withCounts?: boolean }
): { truth: Truth; readings: Reading[] } {
  const { uniform, normal } = randomness(seed)
  const chain = sheet.chains[0]!
  const model = chainModel(sheet, chain)
  const jump = () => {
    const u = uniform()
    return u < 0.94 ? 0 : u < 0.965 ? 1 : u < 0.99 ? -1 : u < 0.994 ? 2 : u < 0.998 ? -2 : 3
  }
  const truth: Truth = {
    elongation: Math.abs(normal(0.004)),
    wear: model.rails.map(() => Math.abs(normal(0.5))),
    padWear: Math.abs(normal(0.3)),
    teeth: model.cams.map(jump)
  }
  const { extension, lag } = model.readout(truth)
  const guide = model.rails.indexOf('guide')
  const readings: Reading[] = [
    {
      kind: 'extension',
      tensioner: model.tensioner!,
      value: Math.min(extension! + normal(0.5) + normal(0.5), sheet.tensioners[0]!.stroke),
      sigma: 0.5,
      turnedForward: true
    },
    ...model.cams.map((sprocket, i): Reading => ({
      kind: 'camLag',
      sprocket,
      value: lag[i]! + normal(0.5) + truth.teeth[i]! * model.degreesPerTooth + normal(1.2),
      sigma: 1.2,
      turnedForward: true
    })),
    { kind: 'groove', rail: 'guide', value: Math.max(0, truth.wear[guide]! + normal(0.15)), sigma: 0.15 }
  ]
  if (withLength)
    readings.push({
      kind: 'chainLength',
      chain: chain.id,
      links: 20,
      value: 20 * chain.pitch * (1 + truth.elongation) + normal(0.08),
      sigma: 0.08
    })
  if (withCounts) {
    const teeth = (id: string) => (id === chain.driver ? 0 : truth.teeth[model.cams.indexOf(id)]!)
    readings.push(
      ...chain.counts.map(({ from, to, links }): Reading => ({
        kind: 'linkCount',
        chain: chain.id,
        from,
        to,
        value: links + teeth(from) - teeth(to)
      }))
    )
  }
  return { truth, readings }
}
