import { evidenceWords } from '../support/told'
import { LOOK_WORDS, sayOpening } from '../../words/en'
import { describe, expect, it } from 'vitest'
import { estimate } from '../../core/estimate'
import { ALL_FINDINGS, FINDINGS, type JobFile, type Reading, withIds } from '../../core/readings'
import {
  BEARINGS,
  NO_OWN_SUSPECTS,
  openingOf,
  SHIPPED,
  SUSPECT_IDS,
  type SuspectId,
  suspectsOf,
  withOwnSuspects
} from '../../core/views/suspects'
import { jobOf, read } from '../support/jobs'
import { TOLD_CASES, type ToldCase } from '../support/toldCases'
import { sheet } from '../support/sheets'

const ardmere = sheet('ardmere-a18')
const said = (finding: string, target = 'engine') => read.found(target, finding)
const job = (readings: Reading[], more: Partial<JobFile> = {}) =>
  jobOf(readings, { usage: { value: 110_000, unit: 'km' }, ...more })
const suspects = (readings: Reading[], more: Partial<JobFile> = {}) =>
  suspectsOf(job(readings, more), estimate(job(readings, more)))
const opening = (readings: Reading[], more: Partial<JobFile> = {}) =>
  openingOf(job(readings, more), estimate(job(readings, more)))
const odds = (readings: Reading[], id: SuspectId) => suspects(readings).find((s) => s.id === id)!.odds

describe('suspects', () => {
  it('sum to one, the likeliest first, with nothing asked too', () => {
    for (const readings of [[], [said('noise-seconds'), said('code-correlation')]]) {
      const all = suspects(readings)
      expect(all.reduce((sum, s) => sum + s.odds, 0)).toBeCloseTo(1, 9)
      expect(all.map((s) => s.odds)).toEqual(all.map((s) => s.odds).sort((a, b) => b - a))
    }
  })

  it('what a recording alone tells weighs less than an ear, and no less beside one', () => {
    const heard = { ...said('noise-under-a-second'), heardBy: 'recording' } as Reading
    const [none, weak, ear, both] = [
      [],
      [heard],
      [said('noise-under-a-second')],
      [heard, said('noise-under-a-second')]
    ].map((readings) => odds(readings, 'lock-pin')) as [number, number, number, number]
    expect(weak).toBeGreaterThan(none)
    expect(weak).toBeLessThan(ear)
    expect(both).toBe(ear)
  })

  it.each([
    ['under a second at a cold start', ['noise-under-a-second'], 'lock-pin'],
    ['some seconds at a cold start', ['noise-seconds'], 'weak-tensioner'],
    ['like a sewing machine in a warm idle', ['noise-warm-idle'], 'arm-contact'],
    ['at idle, gone when revved, after many km', ['noise-idle-only', 'oil-overdue'], 'stretched-chain'],
    ['hard all the time, loudest at the top', ['noise-always', 'loudest-top'], 'loose-phaser'],
    ['hard all the time, plastic in the pan', ['noise-always', 'oil-plastic'], 'worn-rail'],
    ['correlation code, low vacuum, trace shifted', ['code-correlation', 'vacuum-low', 'trace-shifted'], 'jumped'],
    ['slow to respond', ['code-slow'], 'phaser-oil']
  ] as const)('%s: %s points to %s', (_name, findings, first) => {
    const [top] = suspects(findings.map((f) => said(f)))
    expect(top!.id).toBe(first)
    expect(top!.because[0]!.readings).toHaveLength(1)
    expect(evidenceWords(ardmere, top!.because[0]!)).toMatch(/: .+\./)
  })

  it('"renewed before" makes a part less likely, but does not rule it out', () => {
    const before = odds([said('noise-seconds')], 'weak-tensioner')
    const after = odds([said('noise-seconds'), said('renewed-tensioner')], 'weak-tensioner')
    expect(after).toBeLessThan(before)
    expect(after).toBeGreaterThan(0.6 * before)
    expect(
      evidenceWords(ardmere, suspects([said('renewed-tensioner')]).find((s) => s.id === 'weak-tensioner')!.because[0]!)
    ).toMatch(/new is not good/)
  })

  it('a code for an early cam speaks against stretch: wear only retards', () => {
    expect(odds([said('code-over-advanced')], 'stretched-chain')).toBeLessThan(odds([], 'stretched-chain'))
  })

  it('follow the figures: a long chain and a jumped tooth are no longer suspects but findings', () => {
    expect(odds([read.length(161), read.length(161)], 'stretched-chain')).toBeGreaterThan(0.5)
    expect(odds([read.length(160.05), read.length(160.05)], 'stretched-chain')).toBeLessThan(0.05)
    expect(suspects([read.lag('cam-in', -18), read.lag('cam-ex', 1)])[0]!.id).toBe('jumped')
  })

  it("a chain within its limit that has used up the tensioner's travel is too long all the same", () => {
    expect(odds([read.extension(15.6), read.length(160.64)], 'stretched-chain')).toBeGreaterThan(0.5)
    const bench = Array.from({ length: 4 }, () => read.length(160.02))
    expect(
      odds(
        [read.extension(15.6), ...bench, read.groove('guide', 0.1), read.groove('arm', 0.1), read.pad(0.1)],
        'stretched-chain'
      )
    ).toBeLessThan(0.1)
  })

  it('an answer given twice counts once', () => {
    expect(odds([said('noise-warm-idle'), said('noise-warm-idle')], 'arm-contact')).toBeCloseTo(
      odds([said('noise-warm-idle')], 'arm-contact'),
      9
    )
  })

  it('the table can be edited', () => {
    const own = {
      priors: [{ suspect: 'sensor' as const, prior: 0.2 }],
      bearings: [{ finding: 'noise-seconds', suspect: 'oil-supply' as const, factor: 18 }]
    }
    const j = job([said('noise-seconds')])
    const table = withOwnSuspects(own)
    expect(suspectsOf(j, estimate(j), table)[0]!.id).toBe('oil-supply')
    expect(table.prior('sensor')).toBe(0.2)
    expect(table.prior('jumped')).toBe(SHIPPED.prior('jumped'))
    expect(withOwnSuspects(NO_OWN_SUSPECTS)).toBe(SHIPPED)
  })

  it('speaks only of findings on the closed list', () => {
    const known = new Set<string>(ALL_FINDINGS)
    for (const { finding, factor, on } of BEARINGS) {
      const name = finding.split(':')[0]!
      expect([finding, name === 'cylinders' || known.has(name)]).toEqual([finding, true])
      if (on) expect(FINDINGS[on] as readonly string[]).toContain(name)
      expect(factor).toBeGreaterThan(0)
    }
  })
})

describe('told cases', () => {
  const rankOf = ({ cause, job: one }: Pick<ToldCase, 'cause' | 'job'>) =>
    1 + suspectsOf(one, estimate(one)).findIndex(({ id }) => id === cause)
  const within = (cases: readonly Pick<ToldCase, 'cause' | 'job'>[], rank: number) =>
    cases.filter((one) => rankOf(one) <= rank).length / cases.length

  it('the right cause stands in the first three in at least 55 of 60, and first in at least 42', () => {
    expect(TOLD_CASES).toHaveLength(60)
    expect(60 * within(TOLD_CASES, 3)).toBeGreaterThanOrEqual(55)
    expect(60 * within(TOLD_CASES, 1)).toBeGreaterThanOrEqual(42)
  })

  it('still, with something said beside it that has another cause', () => {
    const beside = [
      'oil-overdue',
      'loudest-front',
      'noise-seconds',
      'oil-glitter',
      'rough-idle',
      'oil-low',
      'code-slow'
    ]
    const muddled = TOLD_CASES.map((one, i) => ({
      ...one,
      job: { ...one.job, readings: withIds([...one.job.readings, said(beside[i % beside.length]!)]) }
    }))
    expect(60 * within(muddled, 3)).toBeGreaterThanOrEqual(55)
    expect(60 * within(muddled, 1)).toBeGreaterThanOrEqual(42)
  })

  it('every cause but one that nobody complains of is told of', () => {
    const told = new Set(TOLD_CASES.map(({ cause }) => cause))
    expect(SUSPECT_IDS.filter((id) => !told.has(id))).toEqual(['auxiliary'])
  })
})

describe('what was renewed, and where it is', () => {
  const renewed = (finding: string, at: number) => [said('noise-seconds'), read.found('engine', finding, { value: at })]

  it('the later it was renewed, the likelier it was fitted wrong or is no good, and the less it is worn', () => {
    const late = renewed('renewed-tensioner', 109_500)
    const early = renewed('renewed-tensioner', 20_000)
    for (const id of ['wrong-fitting', 'bad-new-part'] as const)
      expect(odds(late, id)).toBeGreaterThan(2 * odds(early, id))
    expect(odds(late, 'weak-tensioner')).toBeLessThan(odds(early, 'weak-tensioner'))
    expect(odds(early, 'weak-tensioner')).toBeCloseTo(odds([said('noise-seconds')], 'weak-tensioner'), 1)
  })

  it('what is heard or stored of a bank speaks for the parts of that bank', () => {
    const drive = sheet('vellora-v28')
    const parts = (readings: Reading[], id: SuspectId) => suspects(readings, { drive }).find((s) => s.id === id)!.parts
    const second = parts([read.found('engine', 'loudest-bank', { bank: 2 })], 'weak-tensioner')
    expect(second[0]).toMatchObject({ part: 'tensioner-2' })
    expect(second[0]!.share).toBeGreaterThan(0.55)
    expect(parts([said('noise-seconds')], 'weak-tensioner')).toEqual([])
    expect(parts([read.found('phaser-ex-2', 'snaps-back')], 'loose-phaser')[0]).toMatchObject({ part: 'phaser-ex-2' })
    const cam = parts([read.found('engine', 'code-slow', { bank: 1 })], 'phaser-oil')
    expect(
      cam
        .slice(0, 2)
        .map(({ part }) => part)
        .sort()
    ).toEqual(['phaser-ex-1', 'phaser-in-1'])
  })

  it('figures of rails and phasers speak too', () => {
    const before = odds([said('noise-always')], 'worn-rail')
    expect(odds([said('noise-always'), read.groove('guide', 2.4)], 'worn-rail')).toBeGreaterThan(before)
    expect(odds([said('noise-always'), read.groove('guide', 0.1)], 'worn-rail')).toBeLessThan(before)
    expect(suspects([said('noise-always'), read.play('phaser-in', 9)])[0]!.id).toBe('loose-phaser')
  })
})

describe('open it, or not', () => {
  it('measures first when little is known, and names the look that tells most', () => {
    const first = opening([])
    expect(first.advice).toBe('measure-first')
    expect(first.odds).toBeGreaterThan(0.35)
    expect(first.looks.map((l) => l.gain)).toEqual(first.looks.map((l) => l.gain).sort((a, b) => b - a))
    expect(first.because).toEqual({ code: 'one-look', figures: { look: first.looks[0]!.look } })
    expect(sayOpening(first.because)).toContain(LOOK_WORDS[first.looks[0]!.look])
  })

  it('opens for what lies behind the covers', () => {
    expect(
      opening([said('noise-idle-only'), said('code-correlation'), said('trace-shifted'), read.extension(18)]).advice
    ).toBe('open')
    expect(opening([said('oil-plastic')])).toMatchObject({ advice: 'open', because: { code: 'plastic' } })
    expect(opening([read.lag('cam-in', -18)])).toMatchObject({ advice: 'open', because: { code: 'likely-jumped' } })
    expect(sayOpening(opening([read.lag('cam-in', -18)]).because)).toMatch(/do not turn it by the starter/)
  })

  it('leaves it closed for what is reached from outside', () => {
    const closed = opening([said('oil-low'), said('noise-seconds'), said('oil-wrong-grade')])
    expect(closed).toMatchObject({ advice: 'leave-closed', because: { code: 'likelier-outside' } })
    expect(closed.odds).toBeLessThan(0.35)
  })

  it('leaves harmless noise closed unless quiet is bought: its cause lies behind the covers, its benefit does not', () => {
    const noise = opening([said('noise-under-a-second')])
    expect(noise).toMatchObject({ advice: 'leave-closed', because: { code: 'only-noise' } })
    expect(noise.odds).toBeLessThan(0.35)
    expect(noise.quiet).toBeGreaterThan(0.3)
    expect(sayOpening(noise.because)).toMatch(/Opening buys quiet and nothing else/)
  })

  it('leaves an engine closed of which nothing was noticed, and does not clear a rail by silence', () => {
    const clean = ['noise-none', 'code-none', 'oil-clean', 'oil-regular', 'vacuum-right', 'trace-alike'].map((f) =>
      said(f)
    )
    const closed = opening(clean)
    expect(closed).toMatchObject({ advice: 'leave-closed', because: { code: 'nothing-noticed' } })
    expect(closed.odds).toBeLessThan(0.1)
    expect(suspects(clean)[0]!.id).toBe('nothing')
    const rail = suspects([said('noise-none')]).find(({ id }) => id === 'worn-rail')!
    expect(rail.because.flatMap(({ readings }) => readings)).toEqual([])
    expect(odds([said('noise-always')], 'nothing')).toBeLessThan(0.02)
  })

  it('on a small single the lifter pushed in by hand tells chain from lifter', () => {
    const single = { drive: sheet('quillon-q40') }
    expect(opening([], single).looks.map((l) => l.look)).toContain('lifter')
    expect(suspects([said('lifter-gap', 'lifter')], single)[0]!.id).toBe('weak-tensioner')
    expect(suspects([said('lifter-flush', 'lifter')], single)[0]!.id).toBe('stretched-chain')
    expect(opening([]).looks.map((l) => l.look)).not.toContain('lifter')
  })

  it('does not ask again for a look that was taken', () => {
    expect(opening([said('vacuum-right')]).looks.map((l) => l.look)).not.toContain('vacuum')
  })
})
