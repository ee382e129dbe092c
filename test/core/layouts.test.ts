import { describe, expect, it } from 'vitest'
import {
  chainPicture,
  camsOf,
  chainModel,
  clockToLag,
  gearToothDegrees,
  lagToClock,
  sheetFaults
} from '../../core/drive'
import { contextOf } from '../../core/calls'
import { estimate } from '../../core/estimate'
import { assess } from '../../core/paths'
import { readingSigma, readingStructureFaults, type Of, type Reading } from '../../core/readings'
import { readOff, standTrue } from '../../core/views/practice'
import { jobOf, read } from '../support/jobs'
import { changed, sheet } from '../support/sheets'

const gannet = sheet('gannet-g90')
const petrel = sheet('petrel-p16')
const lag = (sprocket: string, value: number): Of<'camLag'> => ({
  kind: 'camLag',
  sprocket,
  value,
  method: 'wheel',
  turnedForward: true
})
const of = (drive: typeof gannet, readings: Reading[]) => jobOf(readings, { drive })

describe('a cam driven by gears from the other cam', () => {
  const chain = gannet.chains[0]!

  it('is a cam of the chain behind it, late as that one is, and off by whole gear teeth', () => {
    expect(camsOf(gannet, chain)).toEqual(['cam-in', 'cam-ex'])
    const { lag: late } = standTrue(gannet, { elongation: { main: 0.004 } })
    expect(late['cam-in']).toBeGreaterThan(2)
    expect(late['cam-ex']).toBeCloseTo(late['cam-in']!, 9)
    expect(gearToothDegrees(gannet, 'cam-ex')).toBeCloseTo(20, 9)
    expect(standTrue(gannet, { teeth: { 'cam-ex': 1 } }).lag).toMatchObject({ 'cam-ex': 20, 'cam-in': 0 })
    // What has jumped on the chain takes both along.
    const both = standTrue(gannet, { teeth: { 'cam-in': -1 } }).lag
    expect(both['cam-ex']).toBeCloseTo(both['cam-in']!, 9)
    expect(both['cam-in']).toBeCloseTo(-24, 9)
  })

  it('stretch shows on both, and one reading bears on the other', () => {
    const alone = estimate(of(gannet, [read.extension(10)])).cams['cam-ex']!.lag
    const other = estimate(of(gannet, [read.extension(10), lag('cam-in', 4), lag('cam-in', 4)])).cams['cam-ex']!.lag
    expect(other.mean).toBeGreaterThan(alone.mean + 0.3)
    const jumped = estimate(of(gannet, [read.extension(6), lag('cam-in', -23.5), lag('cam-ex', -23.8)])).cams
    expect(jumped['cam-in']!.jump.teeth).toBe(-1)
    expect(jumped['cam-ex']!.jump.teeth).toBe(0)
  })

  it('set a tooth off is said of the gears, not of the chain', () => {
    const { calls, cams } = assess(
      of(gannet, [read.extension(10), lag('cam-in', 0.8), lag('cam-ex', 21), lag('cam-ex', 20.6)])
    )
    expect(cams['cam-ex']!.jump).toMatchObject({ teeth: 1 })
    expect(cams['cam-in']!.jump).toMatchObject({ teeth: 0 })
    expect(calls.find(({ part }) => part === 'cam-ex')).toMatchObject({
      call: 'stop',
      reasons: [{ code: 'gears-off' }]
    })
    expect(calls.find(({ part }) => part === 'tensioner')!.reasons.map(({ rule }) => rule)).not.toContain(
      'why-it-jumped'
    )
  })

  it('turns against the chain: its mark moves the other way on the clock', () => {
    expect(lagToClock(gannet, chain, 'cam-in', 20)).toBe('11:40')
    expect(lagToClock(gannet, chain, 'cam-ex', 20)).toBe('12:20')
    expect(clockToLag(gannet, chain, 'cam-ex', '12:20')).toBeCloseTo(20, 6)
    const picture = chainPicture(gannet, chain, { elongation: 0, wear: [0, 0], padWear: 0 }, [0, 20])!
    const gear = picture.sprockets.find(({ id }) => id === 'cam-ex')!
    expect(gear.radius).toBeCloseTo(36, 6)
    expect(gear.mark).toEqual({ should: 90, at: 80 })
  })

  it('with a phaser that is not locked is read within its range, and so is a cam behind it', () => {
    const reading = { ...lag('cam-ex', 3), phaserLocked: false }
    expect(readingSigma(gannet, reading)).toBeGreaterThan(20)
    const upstream = changed(gannet, (d) => (d.phasers[0]!.sprocket = 'cam-in'))
    expect(readingSigma(upstream, reading)).toBeGreaterThan(20)
    expect(readingSigma(upstream, lag('cam-ex', 3))).toBeLessThan(1)
  })

  it('what cannot be is named: a gear without a mark that drives nothing, and teeth that give no cam speed', () => {
    const bare = changed(
      gannet,
      (d) => (d.marks = d.marks.filter((m: { sprocket: string }) => m.sprocket !== 'cam-ex'))
    )
    expect(sheetFaults(bare)[0]).toMatchObject({ place: 'gears[0].driven', code: 'drives-no-chain' })
    const slow = changed(gannet, (d) => (d.gears![0]!.teeth = [36, 40]))
    expect(sheetFaults(slow)[0]).toMatchObject({ place: 'gears[0].teeth', code: 'cam-teeth' })
    expect(readingStructureFaults(gannet, lag('cam-ex', 2))).toEqual([])
  })
})

describe('a plunger between the strands of a short chain from cam to cam', () => {
  const [, short] = petrel.chains
  const model = chainModel(petrel, short!)

  it('comes out with stretch and with wear of either pad, upper and lower not alike', () => {
    const out = (elongation: number, wear: number[]) => model.readout({ elongation, wear, padWear: 0 }).extension!
    expect(model.rails).toEqual(['upper-pad', 'lower-pad'])
    expect(out(0, [0, 0])).toBeCloseTo(3, 2)
    expect(out(0.005, [0, 0])).toBeGreaterThan(out(0, [0, 0]) + 1)
    expect(out(0, [1, 0])).toBeGreaterThan(out(0, [0, 1]))
    expect(out(0, [0, 1])).toBeGreaterThan(out(0, [0, 0]))
  })

  it('its cam inherits the lag of the one before it, and is late by its own chain too', () => {
    const { lag: late } = standTrue(petrel, { elongation: { main: 0.004, 'cam-chain': 0.004 } })
    const main = standTrue(petrel, { elongation: { main: 0.004 } }).lag
    expect(main['cam-in']).toBeCloseTo(main['cam-ex']!, 9)
    expect(late['cam-in']!).toBeGreaterThan(main['cam-in']! + 1)
  })

  it('not at rest it shifts the phase: a lag read so is anywhere within its range', () => {
    expect(readingSigma(petrel, { ...lag('cam-in', 4), phaserLocked: false })).toBeGreaterThan(12)
    expect(sheetFaults(changed(petrel, (d) => (d.phasers[0]!.tensioner = 'ghost')))[0]).toMatchObject({
      code: 'no-tensioner'
    })
  })

  it('a worn upper pad is found from readings with noise on them', () => {
    const truth = { elongation: { 'cam-chain': 0.002 }, wear: { 'upper-pad': 1.8 } }
    const asked = [
      { kind: 'extension', tensioner: 'shifter', turnedForward: true },
      { kind: 'groove', rail: 'upper-pad', method: 'gauge' },
      { kind: 'chainLength', chain: 'cam-chain', links: 20 }
    ] as const
    const { rails, calls } = assess(of(petrel, readOff(petrel, truth, asked, 3)))
    expect(rails['upper-pad']!.wear.low).toBeLessThan(1.8)
    expect(rails['upper-pad']!.wear.high).toBeGreaterThan(1.8)
    expect(calls.find(({ part }) => part === 'upper-pad')!.call).toBe('renew')
    expect(calls.find(({ part }) => part === 'cam-chain')!.call).toBe('back-in')
  })
})

describe('a pump on a small chain of its own', () => {
  const chain = petrel.chains.find(({ id }) => id === 'pump-chain')!
  const measured = (elongation: number) => {
    const asked = [
      { kind: 'chainLength', chain: 'pump-chain', links: 20 },
      { kind: 'extension', tensioner: 'pump-tensioner', turnedForward: true }
    ] as const
    return assess(of(petrel, readOff(petrel, { elongation: { 'pump-chain': elongation } }, asked, 5)))
  }

  it('turns as its teeth say, and stands beside the cams: what it wears makes no cam late', () => {
    expect(sheetFaults(petrel)).toEqual([])
    const { lag: late, extension } = standTrue(petrel, { elongation: { 'pump-chain': 0.004 } })
    expect(late['cam-ex']).toBe(0)
    expect(late['cam-in']).toBe(0)
    expect(extension['pump-tensioner']!).toBeGreaterThan(standTrue(petrel, {}).extension['pump-tensioner']! + 3)
    expect(chainModel(petrel, chain).rails).toEqual(['pump-arm'])
  })
  it('is judged by its own limit, and the main chain by its own', () => {
    const calls = (elongation: number) =>
      Object.fromEntries(measured(elongation).calls.map(({ part, call }) => [part, call]))
    expect(calls(0.0105)).toMatchObject({ 'pump-chain': 'renew' })
    expect(calls(0.003)).toMatchObject({ 'pump-chain': 'back-in' })
    expect(calls(0.0105).main).not.toBe('renew')
  })
  it('a pump found teeth off starves nobody of a valve: no hold, but a look', () => {
    const marked = changed(petrel, (d) => {
      d.marks.push({ sprocket: 'pump', at: '6:00' }, { sprocket: 'crank-pump', at: '6:00' })
    })
    const off = assess(of(marked, [lag('pump', 42), lag('pump', 42.4)]))
    const said = off.calls.flatMap(({ reasons }) => reasons).filter(({ code }) => code === 'shaft-off')
    expect(said.map(({ call }) => call)).toEqual(['look-closer'])
    expect(off.calls.some(({ reasons }) => reasons.some(({ rule, call }) => rule === 'jump' && call === 'stop'))).toBe(
      false
    )
  })
})

/** Is a cam that stands 6.2° late called late past its limit? */
const lateAt = (km: number) => {
  const readings = [lag('cam-ex', 6.2), lag('cam-ex', 6.2), lag('cam-ex', 6.2)]
  const job = jobOf(readings, { drive: petrel, usage: { value: km, unit: 'km' } })
  return assess(job).calls.some(({ reasons }) =>
    reasons.some(({ code }) => code === 'late-by-wear' || code === 'late-not-stretched')
  )
}

describe('a limit that moves with usage', () => {
  it('allows what the maker allows by then, and no more', () => {
    const at = (km: number) => {
      const job = jobOf([], { drive: petrel, usage: { value: km, unit: 'km' } })
      return contextOf(job, estimate(job)).sheet.limit('camLag', 'cam-ex')!
    }
    expect([0, 100_000, 200_000, 400_000].map((km) => at(km).value)).toEqual([5, 6, 7, 7])
    expect(at(100_000).source).toBe('sample sheet')
    expect(lateAt(20_000)).toBe(true)
    expect(lateAt(200_000)).toBe(false)
  })
})
