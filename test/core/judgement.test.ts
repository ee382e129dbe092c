import { describe, expect, it } from 'vitest'
import { coarsePast, finestMethod } from '../../core/calls/coarse'
import { assess } from '../../core/paths'
import { type JobFile, type Reading, withIds } from '../../core/readings'
import * as hands from '../../core/readings/hands'
import { namesOf, sayReason } from '../../words/en'
import { jobOf, read } from '../support/jobs'
import { changed, sheet } from '../support/sheets'

/** Small jobs that must come out as somebody who knows the trade would have them. */

const { found } = read
const judged = (readings: Reading[], more: Partial<JobFile> = {}) => {
  const job = jobOf(readings, more)
  const assessment = assess(job)
  const of = (part: string) => assessment.calls.find((call) => call.part === part)
  return {
    assessment,
    call: (part: string) => of(part)?.call,
    codes: (part: string) => of(part)?.reasons.map(({ code }) => code) ?? [],
    settles: (part: string) => of(part)?.reasons.flatMap(({ settle }) => settle ?? []) ?? [],
    says: (part: string) => (of(part)?.reasons ?? []).map((reason) => sayReason(reason, namesOf(job.drive))).join(' ')
  }
}

/** Everything that is read on a drive as good as new. */
const NEW = [
  read.extension(3),
  read.lag('cam-ex', 0.4),
  read.lag('cam-in', 0.3),
  read.count('crank', 'cam-ex', 53),
  read.count('cam-ex', 'cam-in', 20),
  read.count('cam-in', 'crank', 53),
  read.length(160.02),
  read.length(160.03),
  read.groove('guide', 0.05),
  read.groove('arm', 0.05)
]
const marks = (sprocket: string, value: number): Reading => ({ ...read.lag(sprocket, value), method: 'marks' })

describe('a chain on metal', () => {
  it('is renewed or held where a bridge broke and it ran there, though everything else is as new', () => {
    const { call, codes } = judged([...NEW, found('bridge', 'broken'), found('bridge', 'chain-on-metal')])
    expect(['renew', 'stop']).toContain(call('main'))
    expect(codes('main')).toContain('ran-on-metal')
  })

  it('is asked about where metal shows and nobody said whether it ran there', () => {
    const open = judged([...NEW, found('guide', 'metal-showing')])
    expect(open.call('main')).toBe('look-closer')
    expect(open.says('main')).toMatch(/Fixed guide is worn through to the metal: look whether the chain ran on it/)
    // Answered either way, it is not asked again.
    expect(judged([...NEW, found('guide', 'metal-showing'), found('main', 'sound')]).call('main')).toBe('back-in')
    const ran = judged([...NEW, found('guide', 'metal-showing'), found('guide', 'chain-on-metal')])
    expect(ran.codes('main')).not.toContain('metal-shows')
    expect(ran.call('main')).toBe('stop')
  })

  it('of another train is not asked about', () => {
    const drive = sheet('vellora-v28')
    const [first, second] = drive.chains
    const rail = drive.rails.find(({ id }) => first!.path.includes(id))!.id
    const { codes } = judged([found(rail, 'metal-showing')], { drive })
    expect(codes(first!.id)).toContain('metal-shows')
    expect(codes(second!.id)).not.toContain('metal-shows')
  })
})

describe('a reading past its limit with a coarse method', () => {
  const thumb: Reading = { ...read.groove('guide', 1.25), method: 'thumbnail' }

  it('does not go back in: the finer method is named', () => {
    const { call, says, settles } = judged([thumb])
    expect(call('guide')).toBe('look-closer')
    expect(says('guide')).toMatch(
      /Read at 1\.25 mm by thumbnail, past its limit.*Read it again with a depth gauge before it goes back in/
    )
    expect(settles('guide')).toContainEqual({ kind: 'groove', target: 'guide' })
  })

  it('is settled by the finer one', () => {
    expect(judged([thumb, { ...read.groove('guide', 0.5), method: 'gauge' }]).codes('guide')).toContain(
      'coarse-past-limit'
    )
    expect(judged([{ ...read.groove('guide', 0.5), method: 'gauge' }]).call('guide')).toBe('back-in')
    expect(judged([{ ...read.groove('guide', 1.6), method: 'gauge' }]).call('guide')).toBe('renew')
  })

  it('of the finest method is weighed as it is', () => {
    expect(finestMethod('groove')).toBe('gauge')
    expect(finestMethod('padWear')).toBe('gauge')
    const [gauge, eye] = withIds([
      { ...read.pad(0.7), method: 'gauge' },
      { ...read.pad(0.9), method: 'eye' }
    ])
    expect(coarsePast([gauge!], 'padWear', 0.6)).toBeNull()
    expect(coarsePast([gauge!, eye!], 'padWear', 0.6)).toEqual({ value: 0.9, method: 'eye', finer: 'gauge' })
    expect(coarsePast([gauge!, eye!], 'padWear', 1)).toBeNull()
  })
})

describe('a cam', () => {
  it.each([12, 20])('%s° late on a phaser that is not locked is looked at closer', (late) => {
    const { call, codes, settles } = judged([{ ...read.lag('cam-in', late), phaserLocked: false }])
    expect(call('cam-in')).toBe('look-closer')
    expect(codes('cam-in')).toContain('jump-not-seen')
    expect(settles('cam-in')).toContainEqual({ kind: 'linkCount', target: 'main' })
  })

  it('whose phaser was found not locked is not passed by its mark', () => {
    expect(judged([...NEW.slice(0, 3), found('phaser-in', 'not-locked')]).call('cam-in')).toBe('look-closer')
    expect(judged([...NEW, found('phaser-in', 'not-locked')]).codes('cam-in')).toContain('no-jump')
  })

  it('counted between two links is looked at closer', () => {
    const drive = sheet('hexley-h46')
    const [chain] = drive.chains
    const run = chain!.counts![0]!
    const half: Reading = { kind: 'linkCount', chain: chain!.id, from: run.from, to: run.to, value: run.links + 0.5 }
    const cam = [run.from, run.to].find((id) => id !== chain!.driver)!
    const { call, codes } = judged([half], { drive })
    expect(call(cam)).toBe('look-closer')
    expect(codes(cam)).toContain('jump-not-seen')
  })

  it('is passed on an interference engine from 99 % on, and says so', () => {
    const clear = changed(sheet('ardmere-a18'), (drive) => (drive.engine.interference = false))
    expect(judged([marks('cam-in', 0.5)]).call('cam-in')).toBe('back-in')
    const still = (value: number) => judged([marks('cam-in', value)]).assessment.cams['cam-in']!.jump.all['0'] ?? 0
    // A mark that far between two teeth leaves it open.
    const value = Array.from({ length: 160 }, (_, k) => 4 + k / 10).find(
      (lag) => still(lag) > 0.9 && still(lag) < 0.985
    )!
    expect(value).toBeDefined()
    expect(judged([marks('cam-in', value)]).codes('cam-in')).toContain('jump-undecided')
    expect(judged([marks('cam-in', value)], { drive: clear }).codes('cam-in')).toContain('no-jump')
  })
})

describe('a phaser', () => {
  it('locked at rest is not passed by that alone', () => {
    const { call, settles } = judged([...NEW, found('phaser-in', 'locked-at-rest')])
    expect(call('phaser-in')).toBe('look-closer')
    expect(settles('phaser-in')).toContainEqual({ kind: 'phaserPlay', target: 'phaser-in' })
  })

  it('found tight was not loose, whatever it is renewed with', () => {
    const set = judged([...NEW, read.play('phaser-in', 0.1)], { school: 'whole-set' })
    expect(set.call('phaser-in')).toBe('renew')
    expect(JSON.stringify(set.assessment.calls)).not.toContain('pin-after-loose-phaser')
    const loose = judged([...NEW, read.play('phaser-in', 4)], { school: 'whole-set' })
    expect(loose.codes('cam-in')).toContain('pin-after-loose-phaser')
  })
})

describe('what was answered', () => {
  it('is not asked for: paint gone, and the chain measured as new twice', () => {
    const measured = judged([...NEW, found('main', 'paint-gone')])
    expect(measured.call('main')).toBe('back-in')
    expect(measured.says('main')).not.toMatch(/paint/)
    const unmeasured = judged([read.extension(3), found('main', 'paint-gone')])
    expect(unmeasured.call('main')).toBe('look-closer')
    expect(unmeasured.says('main')).toMatch(/Measure its length/)
  })

  it("says of a rail found 'sound' that it is a coarse look, and what a gauge would add", () => {
    const { says, settles, call } = judged([found('guide', 'sound'), found('arm', 'sound')])
    for (const rail of ['guide', 'arm']) {
      expect(call(rail)).toBe('look-closer')
      expect(says(rail)).toMatch(
        /coarse reading.*half its limit of 1\.2 mm on, give or take 0\.4 mm.*depth gauge.*0\.1 mm/
      )
      expect(settles(rail)).toContainEqual({ kind: 'groove', target: rail })
    }
  })

  it('a rail already broken is not asked for its groove', () => {
    const { assessment, settles } = judged([read.extension(9), found('guide', 'broken')])
    expect(settles('guide')).toEqual([])
    const asked = assessment.next.filter(({ kind }) => kind === 'groove').map(({ target }) => target)
    expect(asked).not.toContain('guide')
    expect(judged([read.extension(9)]).assessment.next.map(({ target }) => target)).toContain('guide')
  })
})

describe('a reason', () => {
  it('never says more of an extension than it has grown', () => {
    const jobs = [12, 14, 16, 18, 20, 22].flatMap((mm) =>
      [[], [read.length(161.4)], [read.groove('guide', 2), read.groove('arm', 2)]].map((more) => [
        read.extension(mm),
        ...more
      ])
    )
    const causes = jobs.flatMap((readings) =>
      judged(readings)
        .assessment.calls.flatMap(({ reasons }) => reasons)
        .filter(({ code }) => code === 'extension-cause')
        .map(({ figures }) => figures as { mm: number; grown: number })
    )
    expect(causes.length).toBeGreaterThan(5)
    for (const { mm, grown } of causes) expect(mm).toBeLessThanOrEqual(grown)
  })
})

describe('one hand', () => {
  const six = (by: (i: number) => string): Reading[] =>
    Array.from({ length: 6 }, (_, i) => ({ ...marks('cam-in', 4), by: by(i) }))
  const of = (readings: Reading[]) => {
    const { assessment } = judged(readings)
    return { lag: assessment.cams['cam-in']!.lag.sd, elongation: assessment.chains.main!.elongation.sd, assessment }
  }

  it('reading the same mark six times knows little more than once', () => {
    const { lag, elongation } = of(six(() => 'Maren'))
    expect(lag).toBeGreaterThan(0.9)
    expect(100 * elongation).toBeGreaterThan(0.09)
    // Whoever is not named may well be the same.
    const nameless = of(six(() => '').map(({ by: _by, ...reading }) => reading))
    expect(nameless.lag).toBeCloseTo(lag, 9)
  })

  it('is not six hands', () => {
    const six_ = of(six((i) => `person ${i}`))
    expect(six_.lag).toBeLessThan(0.85 * of(six(() => 'Maren')).lag)
    // One reading alone is as it was, whoever took it.
    expect(of(six(() => 'Maren').slice(0, 1)).lag).toBeCloseTo(of(six(() => 'Idris').slice(0, 1)).lag, 9)
  })

  it('is the same however its readings are ordered and numbered, and others stand between', () => {
    const hands = [...six((i) => (i % 2 ? 'Maren' : 'Idris')), read.extension(9), read.lag('cam-ex', 4)]
    const forward = of(hands)
    const turned = of(hands.toReversed())
    expect(turned.lag).toBeCloseTo(forward.lag, 6)
    expect(turned.elongation).toBeCloseTo(forward.elongation, 9)
  })

  it("shows what the drive gives, not what a hand adds to it, and a reading's whole sigma", () => {
    const { assessment } = of([
      { ...marks('cam-in', 6), by: 'Maren' },
      { ...marks('cam-in', 6.4), by: 'Maren' },
      { ...read.lag('cam-in', 3), method: 'lift', by: 'Idris' }
    ])
    const [first, second, lift] = assessment.readings
    expect(first!.predicted).toBeCloseTo(second!.predicted!, 9)
    expect(first!.predicted).toBeCloseTo(lift!.predicted!, 9)
    expect(first!.sigma).toBeCloseTo(1.5, 6)
    expect(first!.residual).toBeCloseTo((6 - first!.predicted!) / 1.5, 6)
  })

  it('that is one of very many comes to the same posterior', () => {
    const many = (count: number) =>
      Array.from({ length: count }, (_, i) => [0, 1].map(() => ({ ...marks('cam-ex', 3), by: `person ${i}` }))).flat()
    // Thirty stand as unknowns, the others by their variance: nobody's figure jumps at that edge.
    const sds = [29, 30, 31, 32].map((count) => of(many(count)).assessment.cams['cam-ex']!.lag.sd)
    const steps = sds.slice(1).map((sd, i) => sds[i]! - sd)
    for (const step of steps) expect(step).toBeGreaterThan(0)
    expect(Math.max(...steps) / Math.min(...steps)).toBeLessThan(1.2)
  })

  it('at one place of a chain shares with itself, at a phaser too', () => {
    const { combineByHand } = hands
    const figure = (by: string, value: number) => ({
      reading: { ...read.play('phaser-in', value), by },
      value,
      sigma: 0.5
    })
    expect(combineByHand([])).toBeNull()
    expect(combineByHand([figure('Maren', 1)])).toEqual({ mean: 1, sd: 0.5 })
    const one = combineByHand([figure('Maren', 1), figure('Maren', 2)])!
    const two = combineByHand([figure('Maren', 1), figure('Idris', 2)])!
    // By hand: half of 0.25 is shared, half of the rest is averaged: 0.125 + 0.0625; apart 0.25/2.
    expect([one.mean, one.sd]).toEqual([expect.closeTo(1.5, 12), expect.closeTo(Math.sqrt(0.1875), 12)])
    expect([two.mean, two.sd]).toEqual([expect.closeTo(1.5, 12), expect.closeTo(Math.sqrt(0.125), 12)])
  })
})

describe('a reading that is wrong in a way that has a name', () => {
  const counts = [
    read.count('crank', 'cam-ex', 53),
    read.count('cam-ex', 'cam-in', 20),
    read.count('cam-in', 'crank', 53)
  ]

  it('is the mark, where three counts close and agree that no tooth jumped: no jump, no stop', () => {
    const { assessment, call, says } = judged([marks('cam-ex', 20.4), marks('cam-in', 0.8), ...counts])
    expect(assessment.cams['cam-ex']!.jump.teeth).toBe(0)
    expect(assessment.readings[0]).toMatchObject({ wrongAs: 'next-mark', wouldRead: 0.4, atOdds: true })
    expect(call('cam-ex')).toBe('look-closer')
    expect(says('cam-ex')).toMatch(
      /20\.4° late fits the next tooth's mark \(over 99 %\): it should then read 0\.4° late/
    )
  })

  it('is not decided by one lag alone: held until the links are counted, and the chain is not passed by it', () => {
    const { assessment, call, codes } = judged([marks('cam-ex', 19)])
    const { jump } = assessment.cams['cam-ex']!
    const [reading] = assessment.readings
    expect(jump.all['1']).toBeGreaterThan(0.1)
    expect(jump.all['1']).toBeLessThan(0.9)
    expect(reading!.wrong).toBeGreaterThan(0.05)
    expect(reading!.wrong).toBeLessThan(0.9)
    expect(call('cam-ex')).toBe('stop')
    expect(codes('cam-ex')).toContain('jump-or-mark')
    expect(call('main')).not.toBe('back-in')
    // Counted, either is told from the other.
    expect(judged([marks('cam-ex', 19), ...counts]).call('cam-ex')).toBe('look-closer')
    const off = [
      read.count('crank', 'cam-ex', 52),
      read.count('cam-ex', 'cam-in', 21),
      read.count('cam-in', 'crank', 53)
    ]
    expect(judged([marks('cam-ex', 19), ...off]).codes('cam-ex')).toContain('jumped')
  })

  it('named so: half a crank turn away', () => {
    const { assessment } = judged([marks('cam-ex', 180), marks('cam-in', 0.5)])
    expect(assessment.readings[0]).toMatchObject({ wrongAs: 'crank-half-turn', wouldRead: 0 })
    expect(judged([marks('cam-ex', 180)]).assessment.readings[0]!.wrongAs).toBe('crank-half-turn')
  })

  it('8 mm typed as notches does not make a long chain of two cams near new', () => {
    const typed: Reading = { kind: 'extension', tensioner: 'tensioner', notches: 8, turnedForward: true }
    const lift = (sprocket: string, value: number): Reading => ({ ...read.lag(sprocket, value), method: 'lift' })
    const { assessment } = judged([typed, lift('cam-ex', 0.4), lift('cam-in', 0.3)])
    expect(assessment.chains.main!.elongation.mean).toBeLessThan(0.0022)
    expect(assessment.readings[0]).toMatchObject({ wrongAs: 'mm-as-notches', wouldRead: 8 })
  })

  it('is never what a lone figure is called, however deep', () => {
    for (const lone of [
      { ...read.pad(2), method: 'eye' },
      read.groove('guide', 3),
      read.length(161.9),
      { ...read.groove('arm', 1.4), method: 'thumbnail' },
      marks('cam-in', 20)
    ] as Reading[]) {
      const [said] = judged([lone]).assessment.readings
      expect(said!.atOdds).toBe(false)
      expect(said!.wrong).toBeLessThan(0.5)
    }
  })

  it('is not one that two readings tell alike', () => {
    const { assessment } = judged([
      read.extension(15),
      read.lag('cam-ex', 5),
      read.lag('cam-in', 4),
      read.length(160.7)
    ])
    expect(assessment.readings.every(({ atOdds, wrong }) => !atOdds && (wrong ?? 0) < 0.1)).toBe(true)
  })

  it('may be a length over one link more, or another number of links', () => {
    const rest = [read.extension(4), read.lag('cam-ex', 0.5), read.lag('cam-in', 0.4)]
    const over = (value: number) => judged([...rest, read.length(value)]).assessment.readings[3]
    expect(over(160.1 + 8)).toMatchObject({ wrongAs: 'link-more', atOdds: true })
    expect(over(160.1 - 8)).toMatchObject({ wrongAs: 'link-less', atOdds: true })
    expect(over(80.05)).toMatchObject({ wrongAs: 'other-number', atOdds: true })
  })

  it('and cannot be one of the drive at all is still left out and named', () => {
    const { assessment } = judged([read.extension(4), read.groove('guide', -1)])
    expect(assessment.faults).toHaveLength(1)
  })
})

describe('a cam that sits otherwise on its shaft', () => {
  it('is that, not a long chain, where all its lags agree and the extension is as new', () => {
    const { assessment, codes } = judged([
      read.extension(4),
      { ...read.lag('cam-in', 7), method: 'scan' },
      { ...read.lag('cam-in', 7.2), method: 'wheel' },
      read.lag('cam-ex', 0.6),
      read.count('crank', 'cam-ex', 53),
      read.count('cam-ex', 'cam-in', 20),
      read.count('cam-in', 'crank', 53)
    ])
    expect(assessment.cams['cam-in']!.moved!.odds).toBeGreaterThan(0.5)
    expect(assessment.chains.main!.elongation.mean).toBeLessThan(0.002)
    expect(codes('cam-in')).toContain('lag-unexplained')
  })
})

describe('priors with a tail', () => {
  it('let a lone 2 mm of pad by eye be what it is', () => {
    const { assessment } = judged([{ ...read.pad(2), method: 'eye' }])
    const { mean } = assessment.tensioners.tensioner!.padWear
    expect(mean).toBeGreaterThan(1.6)
    expect(mean).toBeLessThan(2)
    expect(assessment.readings[0]!.atOdds).toBe(false)
  })

  it('and a deep groove', () => {
    const drive = sheet('hexley-h46')
    const { assessment } = judged([{ ...read.groove('guide', 4.5), method: 'feeler' }], { drive })
    expect(assessment.rails.guide!.wear.mean).toBeGreaterThan(4.3)
  })
})

describe('what nobody told', () => {
  const readings = [read.extension(9), read.lag('cam-ex', 2), read.lag('cam-in', 1.6)]
  const told = { skim: {}, temperature: {}, offsetKeys: {} }
  const width = (corrections: JobFile['corrections']) => {
    const { low, high } = judged(readings, { corrections }).assessment.chains.main!.elongation
    return high - low
  }

  it('is part of the doubt until it is answered, each question by itself', () => {
    expect(width({})).toBeGreaterThan(1.3 * width(told))
    expect(width({ ...told, skim: undefined })).toBeGreaterThan(width(told))
    expect(width({ ...told, temperature: undefined })).toBeGreaterThan(width(told))
    expect(width(undefined)).toBe(width({}))
  })

  it('is asked in the list of what is worth knowing next, until it is answered', () => {
    const asked = (corrections: JobFile['corrections']) =>
      judged(readings, { corrections }).assessment.next.filter(({ kind }) => kind === 'question')
    expect(
      asked({})
        .map(({ target, of = '' }) => `${target} ${of}`.trim())
        .sort()
    ).toEqual(['skim 1', 'temperature'])
    expect(asked({ skim: {} }).map(({ target }) => target)).toEqual(['temperature'])
    expect(asked(told)).toEqual([])
  })

  it('holds of an offset key only where the sheet knows of one', () => {
    const keyed = changed(sheet('ardmere-a18'), (drive) => {
      Object.assign(
        drive.sprockets.find((sprocket: { id: string }) => sprocket.id === 'cam-in')!,
        { offsetKey: 4 }
      )
    })
    const { assessment } = judged(readings, { drive: keyed, corrections: { skim: {}, temperature: {} } })
    expect(assessment.next.find(({ target }) => target === 'offsetKeys')).toMatchObject({ of: 'cam-in' })
    expect(judged(readings, { drive: keyed }).assessment.next.some(({ kind }) => kind === 'question')).toBe(false)
  })

  it('does not move a chain measured on the bench', () => {
    const measured = [read.length(160.5), ...readings]
    const mean = (corrections: JobFile['corrections']) =>
      judged(measured, { corrections }).assessment.chains.main!.elongation.mean
    expect(mean({})).toBeCloseTo(mean(told), 3)
  })
})

describe('sound, said of a rail', () => {
  it('is a coarse reading of its groove', () => {
    const wear = (readings: Reading[]) => judged(readings).assessment.rails.guide!.wear
    const [unread, looked] = [wear([]), wear([found('guide', 'sound')])]
    expect(looked.overLimit).toBeLessThan(unread.overLimit!)
    expect(looked.sd).toBeLessThan(unread.sd)
    // A figure says more than a look.
    expect(wear([found('guide', 'sound'), read.groove('guide', 1.6)])).toEqual(wear([read.groove('guide', 1.6)]))
  })
})

describe('what is worth reading next', () => {
  const priced = (readings: Reading[], more: Partial<JobFile> = {}) => judged(readings, more).assessment

  it('is worth money in the job’s prices, and equal units without', () => {
    const { decision, next } = priced([read.extension(12)])
    expect(decision).toMatchObject({ enough: false })
    expect(decision!.currency).not.toBeNull()
    expect(next[0]!.worth).toBeGreaterThan(1)
    const bare = changed(sheet('ardmere-a18'), (drive) => delete (drive as { parts?: unknown }).parts)
    expect(priced([read.extension(12)], { drive: bare }).decision!.currency).toBeNull()
  })

  it('is nothing once everything is told well enough', () => {
    const all = [
      ...NEW.filter(({ kind }) => kind !== 'groove'),
      { ...read.groove('guide', 0.05), method: 'gauge' },
      { ...read.groove('arm', 0.05), method: 'gauge' },
      { ...read.pad(0.1), method: 'gauge' },
      { ...read.play('phaser-in', 0.1), method: 'dial' },
      { ...read.play('phaser-ex', 0.1), method: 'dial' }
    ] as Reading[]
    expect(priced(all).decision!.enough).toBe(true)
    expect(priced(all.slice(0, 3)).decision!.enough).toBe(false)
  })

  it('is nothing that only bears on what is condemned already', () => {
    const { next, calls } = priced([read.length(161.6), read.length(161.6), read.extension(17)], {
      corrections: { temperature: {}, offsetKeys: {} }
    })
    const condemned = new Set(calls.filter(({ call }) => call === 'renew').map(({ part }) => part))
    expect(condemned.has('main')).toBe(true)
    expect(next.some(({ kind, target }) => kind === 'groove' && condemned.has(target))).toBe(false)
    expect(next.find(({ kind }) => kind === 'question')!.worth).toBeLessThan(1)
    expect(next[0]!.settles.some(({ part }) => !condemned.has(part))).toBe(true)
  })

  it('is a count of the links where a mark or a jump is open', () => {
    const { next } = priced([marks('cam-ex', 19), marks('cam-in', 0.5), read.extension(4)])
    const [best] = next.filter(({ settles }) => settles.some(({ part }) => part === 'cam-ex'))
    expect(best!.kind).toBe('linkCount')
  })

  it('is worth more on an engine whose valves meet its pistons', () => {
    const clear = changed(sheet('ardmere-a18'), (drive) => (drive.engine.interference = false))
    const counted = (drive: typeof clear) =>
      priced([read.extension(4)], { drive }).next.find(({ kind }) => kind === 'linkCount')!.worth!
    expect(counted(sheet('ardmere-a18'))).toBeGreaterThan(2 * counted(clear))
  })
})

describe("a phaser's play read more than once", () => {
  const of = (...values: number[]) => {
    const seen = judged(values.map((value) => read.play('phaser-ex', value)))
    return { ...seen, slips: seen.assessment.readings.map(({ wrongAs }) => wrongAs) }
  }

  it('in cam and in crank degrees: which is taken for the other is named, and the play is the fitting one', () => {
    const { slips, assessment, codes, call } = of(4.1, 4, 8.1)
    expect(slips).toEqual([null, null, 'crank-degrees'])
    expect(assessment.readings[2]!.wouldRead).toBeCloseTo(4.05)
    expect(assessment.readings[2]!.wrong).toBeGreaterThan(0.9)
    expect(codes('phaser-ex')).toContain('reading-wrong')
    expect(call('phaser-ex')).not.toBe('back-in')
  })

  it('alike is right, and alone is never called wrong', () => {
    for (const { slips, codes } of [of(0.4, 0.6), of(12), of(3, 3.3)]) {
      expect(slips.every((slip) => slip === null)).toBe(true)
      expect(codes('phaser-ex')).not.toContain('reading-wrong')
    }
    expect(of(12).assessment.readings[0]!.wrong).toBeNull()
  })

  it('that fits in no way is at odds, and nobody knows which: the phaser is not passed', () => {
    const { assessment, call } = of(0.2, 0.3, 25)
    expect(assessment.readings.map(({ atOdds }) => atOdds)).toEqual([false, false, true])
    expect(call('phaser-ex')).toBe('look-closer')
  })
})
