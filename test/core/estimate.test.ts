import { estimated } from '../support/told'
import { describe, expect, it } from 'vitest'
import { PRIORS, estimate } from '../../core/estimate'
import type { Reading } from '../../core/readings'
import { jobOf, read } from '../support/jobs'
import { changed, sheet, SHEETS } from '../support/sheets'
import { simulated } from '../support/simulate'

const ardmere = sheet('ardmere-a18')
const of = (...readings: Reading[]) => estimated(jobOf(readings))
const elongation = (e: ReturnType<typeof estimate>) => e.chains.main!.elongation

it('a counted sheet whose rail gains are only guessed leaves more doubt than one that gives them', () => {
  const counted = sheet('quillon-q40-counted')
  const given = changed(counted, (d: any) => (d.tensioners[0].railGain = { guide: 0.35, arm: 1.2 }))
  const doubt = (drive: typeof counted) =>
    estimate(jobOf([{ kind: 'extension', tensioner: 'lifter', value: 11, turnedForward: true }], { drive })).chains[
      'cam-chain'
    ]!.elongation.sd
  expect(doubt(counted)).toBeGreaterThan(1.02 * doubt(given))
})

describe('accuracy on drives drawn from the priors', () => {
  const drives = Array.from({ length: 300 }, (_, seed) => {
    const { truth, readings } = simulated(ardmere, 7_000 + 13 * seed, { withLength: seed % 2 === 1 })
    return { truth, readings, result: of(...readings) }
  })
  const share = (holds: (drive: (typeof drives)[number]) => boolean) => drives.filter(holds).length / drives.length

  it('the truth lies within 2 sd in 93 to 98 of 100, and in the 90 % interval in 85 to 95', () => {
    const within = share(
      ({ truth, result }) => Math.abs(elongation(result).mean - truth.elongation) < 2 * elongation(result).sd
    )
    expect(within).toBeGreaterThanOrEqual(0.93)
    expect(within).toBeLessThanOrEqual(0.98)
    const covered = share(
      ({ truth, result }) => truth.elongation >= elongation(result).low && truth.elongation <= elongation(result).high
    )
    expect(covered).toBeGreaterThan(0.85)
    expect(covered).toBeLessThan(0.95)
  })

  it('the median sd of elongation is at most 0.033 points', () => {
    const sds = drives.map(({ result }) => 100 * elongation(result).sd).sort((a, b) => a - b)
    expect(sds[150]).toBeLessThan(0.033)
  })

  it('jumps come out right in 59 of 60', () => {
    expect(
      share(({ truth, result }) =>
        ['cam-ex', 'cam-in'].every((id, i) => result.cams[id]!.jump.teeth === truth.teeth[i])
      )
    ).toBeGreaterThan(59 / 60)
  })

  it('every estimate settles, and its budget sums to what was read', () => {
    for (const { result, readings } of drives) {
      expect(result.chains.main!.status.converged).toBe(true)
      const sum = result.tensioners.tensioner!.budget.reduce((mm, entry) => mm + entry.mm, 0)
      expect(sum).toBeCloseTo(readings[0]!.value!, 6)
    }
  })

  it('under one drive in ten has a reading called at odds', () => {
    expect(share(({ result }) => result.readings.some((r) => r.atOdds))).toBeLessThan(0.1)
  })
})

describe('what few or no readings say', () => {
  it('none: the prior, and a jump is not spoken of', () => {
    const nothing = of()
    const { share, times } = PRIORS.tails.elongation
    const usual = PRIORS.elongation * Math.sqrt(2 / Math.PI)
    expect(elongation(nothing).mean).toBeCloseTo(usual * (1 - share + share * times), 5)
    expect(nothing.cams['cam-in']!.jump).toMatchObject({ teeth: 0, odds: 0.94, told: false })
    expect(nothing.tensioners.tensioner!.extension.read).toBeNull()
  })

  it('one length: what it says', () => {
    const { mean, sd } = elongation(of(read.length(160.8)))
    expect(mean).toBeCloseTo(0.005, 3)
    expect(sd).toBeCloseTo(0.1 / 160, 4)
  })

  it('repeated readings narrow as their number says', () => {
    const once = elongation(of(read.length(160.8))).sd
    const four = (by: (i: number) => string) =>
      elongation(of(...Array.from({ length: 4 }, (_, i) => ({ ...read.length(160.8), by: by(i) })))).sd
    expect(four((i) => `person ${i}`) / once).toBeCloseTo(0.5, 1)
    // One hand repeats half of its variance: √(1/2 + 1/8).
    expect(four(() => 'Maren') / once).toBeCloseTo(Math.sqrt(0.625), 1)
  })

  it('scaling all sigmas scales the sd where the readings decide', () => {
    const lengths = (sigma: number) => of(...[160.5, 160.51, 160.49].map((value) => ({ ...read.length(value), sigma })))
    expect(elongation(lengths(0.04)).sd / elongation(lengths(0.02)).sd).toBeCloseTo(2, 1)
  })

  it('thirty readings settle as one does', () => {
    const thirty = of(
      ...Array.from({ length: 10 }, (_, i) => [
        read.extension(12 + 0.1 * (i % 3)),
        read.lag(i % 2 ? 'cam-in' : 'cam-ex', 3),
        read.groove('guide', 0.3 + 0.02 * (i % 4))
      ]).flat()
    )
    expect(thirty.chains.main!.status.converged).toBe(true)
    expect(elongation(thirty).sd).toBeLessThan(
      elongation(of(read.extension(12), read.lag('cam-in', 3), read.groove('guide', 0.3))).sd
    )
  })

  it('twice every sigma, prior included, is twice the sd', () => {
    const readings = [read.extension(12), read.lag('cam-in', 3), read.groove('guide', 0.4)]
    const sigmas = [0.5, 1.5, 0.1]
    const scaled = (by: number) =>
      estimate(jobOf(readings.map((r, i) => ({ ...r, sigma: by * sigmas[i]! }))), {
        ...PRIORS,
        elongation: by * 0.01,
        wear: by * 0.01,
        padWear: by * 0.01,
        extensionScatter: by * 0.5,
        lagScatter: by * 0.5
      })
    const [one, tenth] = [elongation(scaled(0.02)), elongation(scaled(0.01))]
    expect(one.sd / tenth.sd).toBeGreaterThan(1.5)
  })
})

describe('jumps', () => {
  it.each([
    ['cam-ex', 24.5, 1],
    ['cam-in', -16.5, -1],
    ['cam-ex', 43.5, 2]
  ])('%s at %f° has jumped %i teeth, or its mark is wrong; the links decide', (cam, lag, teeth) => {
    const other = cam === 'cam-ex' ? 'cam-in' : 'cam-ex'
    const marks = [read.extension(12), read.lag(cam, lag), read.lag(other, 3)]
    const { jump } = of(...marks).cams[cam]!
    expect(jump.teeth).toBe(teeth)
    expect(jump.odds).toBeGreaterThan(0.7)
    const counts = [
      read.count('crank', 'cam-ex', 53 - (cam === 'cam-ex' ? teeth : 0)),
      read.count('cam-in', 'crank', 53 + (cam === 'cam-in' ? teeth : 0))
    ]
    expect(of(...marks, ...counts).cams[cam]!.jump.odds).toBeGreaterThan(0.98)
    expect(
      of(...marks, read.count('crank', 'cam-ex', 53), read.count('cam-in', 'crank', 53)).cams[cam]!.jump
    ).toMatchObject({
      teeth: 0
    })
    expect(Object.values(jump.all).reduce((a, b) => a + b, 0)).toBeCloseTo(1, 2)
  })

  it('one tooth moves the lag by 360° over the teeth of the driver', () => {
    const still = of(read.extension(12), read.lag('cam-ex', 4))
    const jumped = of(read.extension(12), read.lag('cam-ex', 24), read.count('crank', 'cam-ex', 52))
    expect(jumped.cams['cam-ex']!.lag.mean - still.cams['cam-ex']!.lag.mean).toBeCloseTo(20, 0)
    expect(jumped.cams['cam-ex']!.wearLag).toBeCloseTo(still.cams['cam-ex']!.wearLag, 1)
  })

  it('a link count finds a jump without a lag, and sees no stretch', () => {
    const counted = of(
      read.count('crank', 'cam-ex', 52),
      read.count('cam-ex', 'cam-in', 21),
      read.count('cam-in', 'crank', 53)
    )
    expect(counted.cams['cam-ex']!.jump).toMatchObject({ teeth: 1 })
    expect(counted.cams['cam-ex']!.jump.odds).toBeGreaterThan(0.95)
    expect(elongation(counted).mean).toBeCloseTo(elongation(of()).mean, 6)
  })

  it('of counts that do not sum the one that the rest contradicts is found, and no jump is inferred', () => {
    const miscounted = of(
      read.count('crank', 'cam-ex', 52),
      read.count('cam-ex', 'cam-in', 20),
      read.count('cam-in', 'crank', 53),
      read.lag('cam-ex', 0.5)
    )
    expect(miscounted.faults).toEqual([])
    const [first, ...others] = miscounted.readings
    expect(first).toMatchObject({ wrongAs: 'link-missed', wouldRead: 53, atOdds: true })
    expect(others.some(({ atOdds }) => atOdds)).toBe(false)
    expect(miscounted.cams['cam-ex']!.jump.teeth).toBe(0)
  })
})

describe('bad and contradictory readings', () => {
  it('an impossible reading is named and left out, the rest stands', () => {
    const some = of(read.groove('guide', -1), read.length(160.8), read.extension(40))
    expect(some.faults.map((f) => f.index)).toEqual([0, 2])
    expect(elongation(some).mean).toBeCloseTo(elongation(of(read.length(160.8))).mean, 8)
  })

  it('a lag that nothing gives was read half a turn of the cam away, and is no stretch', () => {
    const lost = of(read.extension(6), read.lag('cam-in', 358))
    expect(lost.readings[1]).toMatchObject({ wrongAs: 'cam-half-turn', wouldRead: -2, atOdds: true })
    expect(elongation(lost).mean).toBeLessThan(0.002)
  })

  it('a length that two others contradict is at odds, they are not', () => {
    const { readings } = of(read.extension(6), read.lag('cam-in', 0.8), read.lag('cam-ex', 1), read.length(161.6), {
      ...read.length(160.1),
      method: 'calliper'
    })
    expect(readings.map((r) => r.atOdds)).toEqual([false, false, false, true, false])
  })

  it('in the largest job that a file may hold, the one groove out of 5,000 that was mistyped is named, and no other', () => {
    const grooves = Array.from({ length: 5000 }, (_, i) =>
      read.groove(i % 2 ? 'guide' : 'arm', i === 4321 ? 4.3 : 0.4 + (i % 9) / 200)
    )
    expect(of(...grooves).readings.flatMap((r) => (r.atOdds ? [r.index] : []))).toEqual([4321])
  })

  it('a count that says no tooth jumped makes the mark the wrong one, most likely', () => {
    const { readings } = of(read.extension(9), read.lag('cam-ex', 22), read.count('crank', 'cam-ex', 53))
    expect(readings[1]).toMatchObject({ wrongAs: 'next-mark', wouldRead: 2, atOdds: true })
    expect(readings[2]!.atOdds).toBe(false)
  })

  it('a deep groove surprises nobody but the prior and is not at odds', () => {
    expect(of(read.extension(5), read.groove('guide', 1.7)).readings.some((r) => r.atOdds)).toBe(false)
  })

  it('an offset key is taken off the reading it shifts', () => {
    const plain = of(read.extension(12), read.lag('cam-in', 3))
    const keyed = estimate(
      jobOf([read.extension(12), read.lag('cam-in', 7)], {
        corrections: { skim: {}, temperature: {}, offsetKeys: { 'cam-in': 4 } }
      })
    )
    expect(elongation(keyed).mean).toBeCloseTo(elongation(plain).mean, 9)
  })

  it('a phaser found loose widens the lag on its sprocket', () => {
    const loose = of(read.lag('cam-in', 3), read.play('phaser-in', 6))
    expect(loose.readings[0]!.sigma).toBeCloseTo(Math.hypot(1.5, 3))
  })
})

describe('the same drive told otherwise gives the same estimate', () => {
  const { readings } = simulated(ardmere, 4711, { withLength: true })
  const base = estimate(jobOf(readings))

  it('mirrored', () => {
    const mirrored = changed(ardmere, (d) => {
      d.rotation = 'anticlockwise'
      for (const s of d.sprockets) s.centre[0] *= -1
      for (const r of d.rails) if (r.shoe) r.shoe.centre[0] *= -1
      for (const r of d.rails) if (r.pivot) r.pivot[0] *= -1
      for (const t of d.tensioners)
        Object.assign(t, {
          seat: [-t.seat[0], t.seat[1]],
          axis: 180 - t.axis,
          armRange: [-t.armRange[1], -t.armRange[0]],
          pad: { point: [-t.pad.point[0], t.pad.point[1]], face: 180 - t.pad.face }
        })
      for (const m of d.marks) m.at = m.at === '6:00' ? '6:00' : m.at === '11:00' ? '1:00' : '11:00'
    })
    expect(elongation(estimate(jobOf(readings, { drive: mirrored }))).mean).toBeCloseTo(elongation(base).mean, 7)
  })

  it('with the readings in another order', () => {
    const turned = estimate(jobOf(readings.toReversed()))
    expect(elongation(turned).mean).toBeCloseTo(elongation(base).mean, 7)
    expect(turned.readings.at(-1)!.residual).toBeCloseTo(base.readings[0]!.residual!, 5)
  })
})

describe('every shipped drive', () => {
  it.each(SHEETS)('%s is estimated from its extension', (id) => {
    const drive = sheet(id)
    const { stroke, limit } = drive.tensioners[0]!
    const { chains, tensioners, next } = estimate(
      jobOf(
        [
          {
            kind: 'extension',
            tensioner: drive.tensioners[0]!.id,
            value: Math.min(limit!.value, stroke),
            turnedForward: true
          }
        ],
        { drive }
      )
    )
    const { mean, sd } = chains[drive.chains[0]!.id]!.elongation
    expect(mean).toBeGreaterThan(sd)
    expect(tensioners[drive.tensioners[0]!.id]!.travelLeft.toLimit).toBeCloseTo(0, 6)
    expect(next.length).toBeGreaterThan(2)
  })
})

describe('the next reading', () => {
  const next = (readings: Reading[], drive = ardmere) => estimate(jobOf(readings, { drive })).next
  const offered = (list: ReturnType<typeof next>, kind: string, target?: string) =>
    list.find((n) => n.kind === kind && (target === undefined || n.target === target))!

  it('lists everything that can still be read, counts run by run', () => {
    const list = next([read.extension(12)])
    expect(
      list
        .filter((n) => n.kind === 'linkCount')
        .map((n) => `${n.from}>${n.to}`)
        .sort()
    ).toEqual(['cam-ex>cam-in', 'cam-in>crank', 'crank>cam-ex'])
    expect(new Set(list.map((n) => n.kind))).toEqual(
      new Set(['camLag', 'linkCount', 'groove', 'padWear', 'chainLength', 'chainCompare', 'phaserPlay'])
    )
    expect(next([read.count('crank', 'cam-ex', 53)]).filter((n) => n.kind === 'linkCount')).toHaveLength(2)
  })

  it('says how a reading would bear on undecided calls, and takes it off the list of doubts when read', () => {
    const unread = next([read.extension(12)])
    expect(offered(unread, 'groove', 'guide').settles.find((s) => s.part === 'guide')!.cut).toBeGreaterThan(0.2)
    expect(offered(unread, 'camLag', 'cam-in').settles[0]).toMatchObject({ part: 'cam-in', cut: expect.closeTo(1, 1) })
    const onTheEdge = next([read.extension(16.5)])
    expect(offered(onTheEdge, 'chainLength').settles.find((s) => s.part === 'main')!.odds).toBeGreaterThan(0.02)
    expect(offered(onTheEdge, 'chainLength').worth).toBeGreaterThan(
      offered(next([read.extension(8)]), 'chainLength').worth!
    )
    const gauged = next([read.extension(12), { ...read.groove('guide', 0.3), method: 'gauge' }])
    expect(offered(gauged, 'groove', 'guide')).toBeUndefined()
  })

  it('offers the finer method of what was read coarsely, and what is doubted again', () => {
    const looked = next([read.extension(12), { ...read.groove('guide', 1.1), method: 'thumbnail' }])
    expect(['gauge', 'feeler']).toContain(offered(looked, 'groove', 'guide').method)
    const doubted = next([read.extension(3), { ...read.lag('cam-ex', 20.4), method: 'marks' }, read.lag('cam-in', 0.4)])
    expect(offered(doubted, 'camLag', 'cam-ex').worth).toBeGreaterThan(0)
  })

  it('counts the minutes until the chain is on the bench once', () => {
    expect(offered(next([read.extension(12)]), 'chainCompare').minutes).toBeGreaterThan(40)
    expect(offered(next([read.extension(12), read.length(160.4)]), 'chainCompare').minutes).toBeLessThan(10)
  })

  it('narrows as it said it would', () => {
    const before = [read.extension(12)]
    const promised = offered(next(before), 'chainLength').narrows
    const after = elongation(of(...before, read.length(160 * (1 + elongation(of(...before)).mean))))
    expect(after.sd).toBeCloseTo(promised.to, 4)
  })

  it('promises the narrowing it then brings, and is not offered again', () => {
    const before = of(read.extension(12), read.groove('guide', 0.3))
    const { narrows } = before.next.find((n) => n.kind === 'chainLength')!
    const after = of(read.extension(12), read.groove('guide', 0.3), read.length(20 * 8 * (1 + elongation(before).mean)))
    expect((elongation(after).sd / elongation(before).sd) ** 2).toBeCloseTo((narrows.to / narrows.from) ** 2, 0)
    expect(after.next.some((n) => n.kind === 'chainLength')).toBe(false)
    const rates = before.next.map(({ worth = 0, minutes }) => worth / minutes)
    expect(rates).toEqual(rates.toSorted((a, b) => b - a))
  })
})

it('a figure that claims a doubt below anything readable is weighed with the others all the same', () => {
  const lag = (sigma?: number): Reading => ({ ...read.lag('cam-ex', 15), ...(sigma ? { sigma } : {}) })
  const { faults, cams } = of(lag(), lag(0.00001), read.groove('guide', 0.4))
  expect(faults).toEqual([])
  expect(cams['cam-ex']!.lag.mean).toBeCloseTo(15, 1)
})
