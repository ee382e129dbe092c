import { describe, expect, it } from 'vitest'
import { estimate } from '../../core/estimate'
import { assess, otherWorkBeside, ownPath, partialWays, type PartialWay } from '../../core/paths'
import { type JobFile, type Of, type Reading } from '../../core/readings'
import { estimateOf } from '../../core/views/estimate'
import { NO_TAX } from '../../core/money'
import { namesOf, sayRefused } from '../../words/en'
import { jobOf, read } from '../support/jobs'
import { sheet } from '../support/sheets'

const torvane = sheet('torvane-d26')
const quillon = sheet('quillon-q40')
const extension = (tensioner: string, value: number): Of<'extension'> => ({
  kind: 'extension',
  tensioner,
  value,
  turnedForward: true
})
const groove = (rail: string, value: number): Of<'groove'> => ({ kind: 'groove', rail, value })
const length = (chain: string, pitch: number, elongation: number): Of<'chainLength'> => ({
  kind: 'chainLength',
  chain,
  links: 20,
  value: 20 * pitch * (1 + elongation)
})
const pitch = torvane.chains[0]!.pitch
const stretched: Reading[] = [
  length('main', pitch, 0.006),
  length('main', pitch, 0.006),
  groove('guide', 0.2),
  groove('arm', 0.2)
]

const ways = (readings: Reading[], more: Partial<JobFile> = { drive: torvane }) => {
  const job = jobOf(readings, more)
  return partialWays(job, estimate(job))
}
const way = (all: readonly PartialWay[], id: string) => all.find((one) => one.id === id)!
const refusal = (one: PartialWay, drive = torvane) => one.refused && sayRefused(one.refused, namesOf(drive))

describe('ways that do less than a repair', () => {
  it('a chain is rolled in with the covers on, chain and tensioner new, its rails looked at and kept', () => {
    const rolled = way(ways(stretched), 'rolled-in-main')
    expect(rolled).toMatchObject({ refused: null, renew: ['main', 'tensioner'], looksAt: ['guide', 'arm'] })
    expect(rolled.operations).toContain('roll-in')
    expect(rolled.operations).not.toContain('front-cover')
    const whole = jobOf(stretched, { drive: torvane })
    expect(rolled.cost.now).toBeLessThan(0.6 * ownPath(whole, estimate(whole), ['main']).cost.now)
    expect(rolled.recheck.usage).toBeGreaterThan(148_200)
  })

  it('not over rails that nobody looked at, that are condemned, or where metal shows, each with its reason', () => {
    const lengths = stretched.slice(0, 2)
    expect(refusal(way(ways(lengths), 'rolled-in-main'))).toMatch(/nobody has looked/)
    expect(refusal(way(ways([...lengths, groove('guide', 3), groove('arm', 0.2)]), 'rolled-in-main'))).toMatch(
      /condemned/
    )
    const metal = [...stretched, read.found('arm', 'metal-showing')]
    expect(refusal(way(ways(metal), 'rolled-in-main'))).toMatch(/metal/)
    expect(refusal(way(ways([...stretched, read.found('main', 'ran-on-metal')]), 'rolled-in-main'))).not.toBeNull()
  })

  it('the tensioner alone leaves the long chain open and says so', () => {
    const alone = way(ways([...stretched, extension('tensioner', 13)]), 'alone-tensioner')
    expect(alone.refused).toBeNull()
    expect(alone.renew).toEqual(['tensioner'])
    expect(alone.leaves.map(({ part }) => part)).toContain('main')
    expect(alone.cost.comeBack).toBeGreaterThan(0.5)
  })

  it('the stop-gaps of a sheet come with their hours, what they cost, and when it is looked at again', () => {
    const all = ways([extension('lifter', 9)], { drive: quillon, usage: { value: 21_000, unit: 'km' } })
    expect(way(all, 'manual-adjuster')).toMatchObject({
      kind: 'stop-gap',
      renew: [],
      recheck: { usage: 25_000, months: 6 },
      refused: null
    })
    expect(way(all, 'manual-adjuster').cost.now).toBeCloseTo((0.2 + 0.2) * 80 + 29, 6)
    expect(way(all, 're-tension').cost.now).toBeCloseTo(0.2 * 80, 6)
  })

  it('nothing but a look after some usage has its odds, less than over the whole horizon, and not with a condemned part', () => {
    const sound = [
      length('main', pitch, 0.0005),
      length('main', pitch, 0.0005),
      groove('guide', 0.1),
      groove('arm', 0.1)
    ]
    const again = way(ways(sound), 'look-again')
    expect(again).toMatchObject({ refused: null, renew: [], recheck: { usage: 168_200 } })
    const job = jobOf(sound, { drive: torvane })
    expect(again.cost.comeBack).toBeLessThan(ownPath(job, estimate(job), []).cost.comeBack)
    expect(way(ways(sound, { drive: torvane, pricing: { horizon: 8000 } }), 'look-again').recheck.usage).toBe(156_200)
    expect(refusal(way(ways(stretched), 'look-again'))).toMatch(/condemned/)
  })

  it('nothing is open to a drive that must not be turned or run', () => {
    const held = ways(
      [...stretched, read.found('cam-left', 'pin-sheared')].slice(0, 4).concat(read.found('left', 'pin-sheared'))
    )
    for (const one of held) expect(one.refused).not.toBeNull()
  })

  it('a stop-gap that was chosen stands on the estimate as what it is, without what a repair would bring', () => {
    const job = jobOf(stretched, { drive: torvane })
    const path = { renew: ['main', 'tensioner'], partial: { id: 'rolled-in-main', accepted: 'Anne' } }
    const record = {
      choice: null,
      estimate: null,
      path: { ...path, type: 'path', id: 'a', by: 'Maren', at: '2026-11-20T08:00:00.000Z' }
    } as never
    const { renew, lines } = estimateOf(job, assess(job), record, { tax: NO_TAX, currency: 'EUR' })
    expect(renew).toEqual(['main', 'tensioner'])
    expect(lines.some(({ text }) => text.includes('rail'))).toBe(false)
    const single = jobOf([extension('lifter', 9)], { drive: quillon })
    const adjuster = {
      choice: null,
      estimate: null,
      path: { renew: [], partial: { id: 'manual-adjuster', accepted: 'Anne' } }
    } as never
    expect(
      estimateOf(single, assess(single), adjuster, { tax: NO_TAX, currency: 'EUR' }).lines.map(({ kind, price }) => [
        kind,
        price
      ])
    ).toEqual([
      ['labour', 80],
      ['part', 29]
    ])
  })
})

describe('other work that shares the access', () => {
  const pump = { id: 'other-1', name: 'Water pump', hours: 0.6, price: 70, needs: ['front-end', 'belt'] }

  it('costs its own hours beside a path that opens its access, and all of it later', () => {
    const job = jobOf([], { drive: torvane })
    const [open] = otherWorkBeside(job, [pump], ['coolant', 'front-end', 'belt', 'pulley'], 80)
    expect(open!.now).toEqual({ hours: 0.6, price: 0.6 * 80 + 70 })
    // Coolant, front panel and belt come first.
    expect(open!.later.hours).toBeCloseTo(0.6 + 0.5 + 2.2 + 0.8, 9)
    const [closed] = otherWorkBeside(job, [pump], ['tensioner-out'], 80)
    expect(closed!.now).toEqual(closed!.later)
  })

  it('stands on the estimate of the path', () => {
    const job = jobOf(stretched, { drive: torvane, pricing: { others: [pump] } })
    const of = (file: JobFile) =>
      estimateOf(
        file,
        assess(file),
        { choice: null, path: null, estimate: null },
        { tax: NO_TAX, currency: 'EUR', renew: ['main'] }
      )
    const lines = of(job).lines.filter(({ text }) => text === 'Water pump')
    expect(lines.map(({ kind, quantity, price }) => [kind, quantity, price])).toEqual([
      ['labour', 0.6, 80],
      ['part', 1, 70]
    ])
  })
})
