import { describe, expect, it } from 'vitest'
import { estimate } from '../../core/estimate'
import { sheetFaults } from '../../core/drive'
import type { DriveSheet } from '../../core/sheet'
import { mirrored, moved, randomEngine, renamed, turnedBy } from '../support/engines'
import { jobOf } from '../support/jobs'
import { simulated } from '../support/simulate'

const made = Array.from({ length: 200 }, (_, seed) => {
  const drive = randomEngine({ seed, ...(seed % 10 === 9 ? { cams: 4 as const } : {}) })
  const { truth, readings } = simulated(drive, 31 + 97 * seed, {
    withLength: seed % 2 === 0,
    withCounts: seed % 3 === 0
  })
  return { drive, truth, readings, result: estimate(jobOf(readings, { drive })) }
})
const share = (holds: (one: (typeof made)[number]) => boolean) => made.filter(holds).length / made.length

describe('200 engines made at random, worn at random', () => {
  it('are sound sheets', () => {
    for (const { drive } of made) expect(sheetFaults(drive)).toEqual([])
  })

  it('the truth lies within 2 sd in nine of ten or more', () => {
    expect(
      share(({ truth, result }) => {
        const { mean, sd } = result.chains.main!.elongation
        return Math.abs(mean - truth.elongation) < 2 * sd
      })
    ).toBeGreaterThanOrEqual(0.9)
  })

  it('the jump of every cam is right in 95 of 100 or more', () => {
    const cams = made.flatMap(({ truth, result }) =>
      truth.teeth.map((teeth, i) => result.cams[`cam-${i + 1}`]!.jump.teeth === teeth)
    )
    expect(cams.filter(Boolean).length / cams.length).toBeGreaterThanOrEqual(0.95)
    expect(made.flatMap(({ truth }) => truth.teeth).filter((teeth) => teeth !== 0).length).toBeGreaterThan(15)
  })

  it('every estimate settles, and every budget sums to the reading within 0.01 mm', () => {
    for (const { result, readings } of made) {
      expect(result.chains.main!.status.converged).toBe(true)
      const sum = result.tensioners.tensioner!.budget.reduce((mm, entry) => mm + entry.mm, 0)
      expect(Math.abs(sum - readings[0]!.value!)).toBeLessThan(0.01)
    }
  })
})

describe('the same worn engine told otherwise gives the same estimate', () => {
  const some = made.filter((_, i) => i % 20 === 9)
  const same = (
    drive: DriveSheet,
    readings: (typeof made)[number]['readings'],
    { chains, cams }: (typeof made)[number]['result'],
    name = (id: string) => id
  ) => {
    const other = estimate(jobOf(readings, { drive }))
    for (const [id, { elongation }] of Object.entries(chains)) {
      expect(other.chains[name(id)]!.elongation.mean).toBeCloseTo(elongation.mean, 7)
      expect(other.chains[name(id)]!.elongation.sd).toBeCloseTo(elongation.sd, 7)
    }
    for (const [id, { lag, jump }] of Object.entries(cams)) {
      expect(other.cams[name(id)]!.lag.mean).toBeCloseTo(lag.mean, 4)
      expect(other.cams[name(id)]!.jump.teeth).toBe(jump.teeth)
    }
  }

  it('mirrored', () => some.forEach(({ drive, readings, result }) => same(mirrored(drive), readings, result)))
  it('turned about', () => some.forEach(({ drive, readings, result }) => same(turnedBy(drive, 30), readings, result)))
  it('elsewhere in the plane', () =>
    some.forEach(({ drive, readings, result }) =>
      same(moved(drive, { point: ([x, y]) => [x + 411, y - 87], angle: (a) => a }), readings, result)
    ))
  it('with all its parts renumbered', () => {
    const name = (id: string) => `x-${id}`
    some.forEach(({ drive, readings, result }) => {
      const again = JSON.parse(JSON.stringify(readings), (key, value: unknown) =>
        typeof value === 'string' && key !== 'kind' && key !== 'method' ? name(value) : value
      ) as typeof readings
      same(renamed(drive, name), again, result, name)
    })
  })

  it('twice the size, with lengths and priors of lengths doubled', async () => {
    const { PRIORS } = await import('../../core/estimate')
    const priors = {
      ...PRIORS,
      wear: 2 * PRIORS.wear,
      padWear: 2 * PRIORS.padWear,
      extensionScatter: 2 * PRIORS.extensionScatter
    }
    for (const { drive, readings, result } of some) {
      const big = moved(drive, { point: ([x, y]) => [2 * x, 2 * y], angle: (a) => a, scale: 2 })
      const doubled = readings.map((r) =>
        r.kind === 'extension' || r.kind === 'groove' || r.kind === 'chainLength'
          ? { ...r, value: 2 * r.value!, sigma: 2 * r.sigma! }
          : r
      )
      expect(estimate(jobOf(doubled, { drive: big }), priors).chains.main!.elongation.mean).toBeCloseTo(
        result.chains.main!.elongation.mean,
        4
      )
    }
  })
})
