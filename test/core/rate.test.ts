import { describe, expect, it } from 'vitest'
import { chainRates, estimate, reachedAt, travelEndsAt, wearRate } from '../../core/estimate'
import type { JobFile, Reading } from '../../core/readings'
import { jobOf, read } from '../support/jobs'
import { randomness } from '../../core/math'
import { changed, sheet } from '../support/sheets'

const point = (usage: number, mean: number, sd = 0.0003) => ({ usage, mean, sd })

describe('the wear rate of a chain', () => {
  it('runs through zero at its fitting', () => {
    const one = wearRate([point(100_000, 0.002)])!
    expect(one.rate.mean).toBeCloseTo(2e-8, 12)
    expect(one.rate.sd).toBeCloseTo(3e-9, 12)
    expect(wearRate([point(150_000, 0.002)], 50_000)!.rate.mean).toBeCloseTo(2e-8, 12)
  })

  it('passes over points of the chain before it, and is none without a point', () => {
    expect(wearRate([point(90_000, 0.006), point(150_000, 0.001)], 100_000)!.points).toBe(1)
    expect(wearRate([point(90_000, 0.006)], 100_000)).toBeNull()
    expect(wearRate([])).toBeNull()
  })

  it('narrows with more points, and widens when they scatter more than they should', () => {
    const one = wearRate([point(100_000, 0.002)])!
    const steady = wearRate([point(50_000, 0.001), point(100_000, 0.002)])!
    const wild = wearRate([point(50_000, 0.003), point(100_000, 0.0015)])!
    expect(steady.rate.sd).toBeLessThan(one.rate.sd)
    expect([steady.scattered, wild.scattered]).toEqual([false, true])
    expect(wild.rate.sd).toBeGreaterThan(2 * steady.rate.sd)
  })

  it('scaling all sds scales its sd', () => {
    const points = [point(50_000, 0.001), point(100_000, 0.002)]
    const doubled = points.map((p) => ({ ...p, sd: 2 * p.sd }))
    expect(wearRate(doubled)!.rate.sd / wearRate(points)!.rate.sd).toBeCloseTo(2, 9)
    expect(wearRate(doubled)!.rate.mean).toBeCloseTo(wearRate(points)!.rate.mean, 15)
  })

  it('its 90 % interval holds the true rate in nine of ten', () => {
    const { normal } = randomness(77)
    const held = Array.from({ length: 400 }, () => {
      const { rate } = wearRate([40_000, 80_000, 120_000].map((u) => point(u, 2e-8 * u + normal(0.0003))))!
      return rate.low <= 2e-8 && rate.high >= 2e-8
    })
    expect(held.filter(Boolean).length / held.length).toBeGreaterThan(0.86)
  })

  it('says as a range when a limit is reached, by usage and by date, the fast end first', () => {
    const { usage, days } = reachedAt(wearRate([point(100_000, 0.002)])!, 0.005, 0, 100_000, 50)
    expect(usage.mean).toBeCloseTo(250_000, 3)
    expect(usage.low).toBeLessThan(usage.mean)
    expect(usage.high).toBeGreaterThan(usage.mean)
    expect(days!.mean).toBeCloseTo(3000, 6)
    expect(reachedAt(wearRate([point(10_000, 0.0001)])!, 0.005, 0, 10_000).usage.high).toBeNull()
  })
})

describe('the rates of a job', () => {
  const rates = (readings: Reading[], more: Partial<JobFile> = {}, perDay?: number) =>
    chainRates(jobOf(readings, more), estimate(jobOf(readings, more)), perDay).main

  it("take this job's estimate with earlier ones of the same engine", () => {
    const now = [read.length(160.48), read.length(160.48)]
    expect(rates(now)!.points).toBe(1)
    const known = rates(now, { history: { main: [{ usage: 60_000, mean: 0.0012, sd: 0.0003 }] } }, 40)!
    expect(known.points).toBe(2)
    expect(known.limit!.usage.mean).toBeGreaterThan(220_000)
    expect(known.limit!.days!.mean).toBeGreaterThan(0)
  })

  it('say when the tensioner is out of travel too, which may come first', () => {
    const { limit, travel } = rates([read.extension(12), read.length(160.45)])!
    expect(travel!.usage.mean).toBeLessThan(limit!.usage.mean)
    expect(
      rates([read.extension(12)], { drive: changed(sheet('ardmere-a18'), (d) => (d.limits = [])) })!.limit
    ).toBeNull()
  })

  it('know no end of travel where the drive itself would end first: rails worn far beyond what there is', () => {
    const drive = sheet('hexley-h46')
    const readings: Reading[] = [
      { kind: 'groove', rail: 'arm', value: 11 },
      { kind: 'extension', tensioner: 'tensioner', value: 0 }
    ]
    expect(rates(readings, { drive, usage: { value: 1, unit: 'km' } })!.points).toBe(1)
  })

  it('are none for a chain nobody measured, nor for one renewed nobody knows when', () => {
    expect(rates([])).toBeNull()
    expect(rates([read.length(160.5), read.found('engine', 'renewed-chain')])).toBeNull()
    expect(
      rates([read.length(160.2), read.found('engine', 'renewed-chain')], { fitted: { main: 90_000 } })!.points
    ).toBe(1)
  })
})

describe("where a tensioner's travel ends", () => {
  const job = (readings: Reading[], drive = sheet('ardmere-a18')) => jobOf(readings, { drive })
  const ends = (file: JobFile) => travelEndsAt(file, estimate(file), 'main')
  it('is where chain and rails, wearing on together, push it to its limit: sooner the more the rails take', () => {
    const [spared, worn] = [
      ends(job([read.length(160.3), read.groove('guide', 0.02), read.groove('arm', 0.02)]))!,
      ends(job([read.length(160.3), read.groove('guide', 1), read.groove('arm', 1)]))!
    ]
    // The forward model alone reaches 13.5 mm of extension at 0.37 % of stretch.
    expect(spared).toBeGreaterThan(0.0032)
    expect(spared).toBeLessThan(0.0038)
    expect(worn).toBeLessThan(spared)
  })
  it("where the drive's geometry ends before the stroke does, it is none rather than a guess", () => {
    const open = changed(sheet('ardmere-a18'), (d) => Object.assign(d.tensioners[0]!, { limit: undefined, stroke: 60 }))
    expect(ends(job([read.length(160.3)], open))).toBeNull()
  })
  it('a drive without a tensioner has none', () => {
    const bare = changed(sheet('ardmere-a18'), (d) => Object.assign(d, { tensioners: [] }))
    const file = job([read.length(160.3)], bare)
    expect(travelEndsAt({ drive: bare }, { ...estimate(file), tensioners: {} }, 'main')).toBeNull()
  })
})

it('points that scatter widen the sd by the root of chi² over one fewer than there are (Birge)', () => {
  // By hand: u 1 and 2, sd 1 each; r = (1·0 + 2·4)/5 = 1.6, chi² = 1.6² + (4 − 3.2)² = 3.2, over 1; 1/√5 on its own.
  const { rate } = wearRate([
    { usage: 1, mean: 0, sd: 1 },
    { usage: 2, mean: 4, sd: 1 }
  ])!
  expect(rate.mean).toBeCloseTo(1.6, 12)
  expect(rate.sd).toBeCloseTo(Math.sqrt(3.2 / 5), 12)
})
