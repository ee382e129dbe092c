import { describe, expect, it } from 'vitest'
import { bledDown, rideOver, slackBetween } from '../../core/drive'
import { estimate, nearJumps } from '../../core/estimate'
import { pathsOf } from '../../core/paths'
import type { JobFile, Reading } from '../../core/readings'
import { jobOf, read } from '../support/jobs'
import { sheet, SHEETS } from '../support/sheets'

const near = (readings: Reading[], more: Partial<JobFile> = {}) => {
  const job = jobOf(readings, more)
  return nearJumps(job, estimate(job))
}
const without = <T extends object>(of: T, key: keyof T): T => {
  const { [key]: _gone, ...rest } = of
  return rest as T
}

describe('the slack a chain needs to ride over a sprocket', () => {
  it('is its sweep times how far the teeth stand above the pitch line', () => {
    const drive = sheet('hexley-h46')
    const chain = drive.chains[0]!
    const state = { elongation: 0, wear: [0, 0], padWear: 0 }
    const needs = rideOver(drive, chain, state)
    for (const { sprocket, needed, measured } of needs) {
      expect(measured).toBe(false)
      // A chain lies on a sprocket of such a drive over 150 to 200 degrees.
      expect(needed / (0.33 * chain.pitch)).toBeGreaterThan((150 * Math.PI) / 180)
      expect(needed / (0.33 * chain.pitch)).toBeLessThan((230 * Math.PI) / 180)
      const { teeth } = drive.sprockets.find(({ id }) => id === sprocket)!
      const pitchRadius = chain.pitch / (2 * Math.sin(Math.PI / teeth))
      const told = {
        ...drive,
        sprockets: drive.sprockets.map((s) =>
          s.id === sprocket ? { ...s, tipRadius: pitchRadius + 0.66 * chain.pitch } : s
        )
      }
      expect(rideOver(told, chain, state).find((s) => s.sprocket === sprocket)).toMatchObject({ measured: true })
      expect(rideOver(told, chain, state).find((s) => s.sprocket === sprocket)!.needed).toBeCloseTo(2 * needed, 6)
    }
  })

  it('a plunger goes back to its last notch, or all the way without a ratchet', () => {
    expect(bledDown({ ratchet: { first: 2, pitch: 1.5 } }, 6.1)).toBe(5)
    expect(bledDown({ ratchet: { first: 2, pitch: 1.5 } }, 1.2)).toBe(0)
    expect(bledDown({}, 6.1)).toBe(0)
  })

  it('the chain that comes free grows with how far the plunger goes back, in the drawing as by the counts', () => {
    for (const id of ['quillon-q40', 'quillon-q40-counted'] as const) {
      const drive = sheet(id)
      const chain = drive.chains[0]!
      const state = { elongation: 0.003, wear: [0, 0], padWear: 0 }
      const free = (to: number) => slackBetween(drive, chain, state, { from: 11, to })
      expect(free(11)).toBeCloseTo(0, 9)
      expect(free(8)).toBeGreaterThan(free(9))
      // Within a third of each other: the counted one knows the curve by two points.
      expect(
        Math.abs(
          Math.log(
            free(8) / slackBetween(sheet('quillon-q40'), sheet('quillon-q40').chains[0]!, state, { from: 11, to: 8 })
          )
        )
      ).toBeLessThan(0.35)
    }
  })
})

describe('how near it is to jumping', () => {
  it('is no claim where nothing was read', () => {
    for (const id of SHEETS) for (const one of near([], { drive: sheet(id) })) expect(one.told).toBe(false)
    expect(near([read.extension(9)])[0]!.told).toBe(true)
  })

  it('a ratchet that lets go brings it much nearer', () => {
    const held = near([read.extension(16)])[0]!
    const slips = near([read.extension(16), read.found('tensioner', 'plunger-slips-back')])[0]!
    expect(held.ratchet).toBe(true)
    expect(slips.ratchet).toBe(false)
    expect(slips.sprockets[0]!.mean).toBeGreaterThan(5 * held.sprockets[0]!.mean)
  })

  it('without a ratchet it comes nearer with every millimetre, its interval round its mean', () => {
    const drive = {
      ...sheet('ardmere-a18'),
      tensioners: sheet('ardmere-a18').tensioners.map((t) => without(t, 'ratchet'))
    }
    const shares = [6, 10, 14, 18].map((mm) => near([read.extension(mm)], { drive })[0]!.sprockets[0]!)
    for (const [i, share] of shares.entries()) {
      expect(share.low).toBeLessThan(share.mean)
      expect(share.high).toBeGreaterThan(share.mean)
      if (i > 0) expect(share.mean).toBeGreaterThan(shares[i - 1]!.mean)
    }
  })

  it('goes on along the wear rate, and has no future where nobody knows when the chain was fitted', () => {
    const drive = {
      ...sheet('ardmere-a18'),
      tensioners: sheet('ardmere-a18').tensioners.map((t) => without(t, 'ratchet'))
    }
    const readings = [read.extension(12), read.length(160.5), read.length(160.5)]
    const [one] = near(readings, { drive })
    expect(one!.later!.usage).toBe(168_200)
    expect(one!.later!.mean).toBeGreaterThan(one!.sprockets[0]!.mean)
    expect(near([...readings, read.found('engine', 'renewed-chain')], { drive })[0]!.later).toBeNull()
  })

  it('counts in the odds of coming back, and never makes a kept chain safer', () => {
    const drive = sheet('ardmere-a18')
    const slack = { ...drive, tensioners: drive.tensioners.map((t) => without(t, 'ratchet')) }
    const odds = (of: typeof drive) => {
      const job = jobOf([read.extension(15), read.length(160.3), read.length(160.3)], { drive: of })
      return pathsOf(job, estimate(job))!.kept['main']!.odds
    }
    expect(odds(slack)).toBeGreaterThanOrEqual(odds(drive))
  })
})
