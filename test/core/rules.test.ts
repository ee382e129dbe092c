import { sayArgument } from '../../words/en'
import { assessed } from '../support/told'
import { describe, expect, it } from 'vitest'
import type { JobFile, Reading } from '../../core/readings'
import { jobOf, read } from '../support/jobs'
import { changed, sheet } from '../support/sheets'

const { found } = read
const SOUND = [
  read.extension(5.5),
  read.lag('cam-ex', 0.8),
  read.lag('cam-in', 0.5),
  read.length(160.12),
  read.groove('guide', 0.2),
  read.groove('arm', 0.3)
]

const judged = (readings: Reading[], more: Partial<JobFile> = {}) => {
  const { calls } = assessed(jobOf([...SOUND, ...readings], more))
  const of = (part: string) => calls.find((c) => c.part === part)
  return {
    calls,
    call: (part: string) => of(part)?.call,
    reason: (part: string, rule: string) => of(part)?.reasons.find((r) => r.rule === rule)
  }
}

describe('a worked case for each rule', () => {
  it.each([
    ['a cracked rail', found('guide', 'cracked'), 'guide', 'renew'],
    ['a brittle rail', found('arm', 'brittle'), 'arm', 'renew'],
    ['a lining worn to the metal', found('guide', 'metal-showing'), 'guide', 'renew'],
    ['a wallowed hole', found('guide', 'hole-wallowed'), 'guide', 'renew'],
    ['a sheared rail bolt', found('guide', 'bolts-sheared'), 'guide', 'stop'],
    ['swapped rails', found('guide', 'swapped'), 'guide', 'stop'],
    ['a marked bridge', found('bridge', 'chain-marks'), 'bridge', 'look-closer'],
    ['a sound bridge', found('bridge', 'sound'), 'bridge', 'back-in'],
    ['stiff links', found('main', 'stiff-links'), 'main', 'renew'],
    ['another number of links', found('main', 'link-total-wrong'), 'main', 'stop'],
    ['a plunger that slips back', found('tensioner', 'plunger-slips-back'), 'tensioner', 'renew'],
    ['a blocked oil feed', found('tensioner', 'oil-feed-blocked'), 'tensioner', 'stop'],
    ['a fresh witness mark', found('tensioner', 'witness-mark'), 'tensioner', 'look-closer'],
    ['a stop-gap', found('tensioner', 'stop-gap'), 'tensioner', 'look-closer'],
    ['hooked teeth', found('crank', 'teeth-hooked'), 'crank', 'renew'],
    ['a sheared pin', found('cam-in', 'pin-sheared'), 'cam-in', 'stop'],
    ['a torn screen', found('oil', 'screen-torn'), 'oil', 'renew'],
    ['hard O-rings', found('oil', 'o-rings-hard'), 'oil', 'renew'],
    ['a stretch bolt used before', found('fasteners', 'stretch-bolt-used'), 'fasteners', 'renew'],
    ['a missing bolt', found('fasteners', 'bolt-missing'), 'fasteners', 'stop']
  ] as const)('%s', (_name, finding, part, call) => {
    const { call: made, reason } = judged([finding])
    expect(made(part)).toBe(call)
    const because = reason(part, `found-${finding.finding}`)!
    expect(because.readings).toEqual([SOUND.length])
    if (call === 'stop') expect(because.release).toBeTruthy()
  })

  it('a superseded design is renewed on sight only where the sheet says so', () => {
    expect(judged([found('tensioner', 'superseded')]).reason('tensioner', 'superseded')).toMatchObject({
      call: 'renew',
      text: expect.stringMatching(/sample sheet/)
    })
    expect(judged([found('guide', 'superseded')]).reason('guide', 'superseded')!.call).toBe('look-closer')
    expect(judged([found('arm', 'superseded')]).reason('arm', 'superseded')!.text).toMatch(/says nothing/)
  })

  it('a chain that ran on metal is renewed with all that rides on it, and the engine is held until then', () => {
    const { call, reason, calls } = judged([found('guide', 'chain-on-metal')])
    expect(call('main')).toBe('stop')
    expect(
      calls
        .find((c) => c.part === 'main')!
        .reasons.filter((r) => r.rule === 'chain-on-metal')
        .map((r) => r.call)
    ).toEqual(['stop', 'renew'])
    expect(reason('main', 'chain-on-metal')!.release).toMatch(/renewed/)
    for (const part of ['arm', 'tensioner', 'bridge']) expect(reason(part, 'new-chain')!.call).toBe('renew')
  })

  it('a new chain always brings new rails and tensioner, whatever condemned it', () => {
    const { reason } = judged([found('main', 'loose-links')])
    for (const part of ['guide', 'arm', 'tensioner'])
      expect(reason(part, 'new-chain')!.text).toMatch(/new rails and tensioner/)
  })

  it('harmless phaser noise goes back in; a phaser able to come apart stops the job', () => {
    expect(judged([read.play('phaser-in', 0.2), found('phaser-in', 'cold-start-rattle')]).call('phaser-in')).toBe(
      'back-in'
    )
    const loose = judged([found('phaser-in', 'cover-bolts-loose')])
    expect(loose.call('phaser-in')).toBe('stop')
    expect(loose.reason('phaser-in', 'loose-phaser')).toMatchObject({
      call: 'renew',
      text: expect.stringMatching(/another thing than noise/)
    })
  })

  it('the locating pin is looked at after a loose phaser, until it was', () => {
    expect(judged([read.play('phaser-in', 4)]).reason('cam-in', 'pin-after-loose-phaser')!.call).toBe('look-closer')
    expect(
      judged([found('phaser-in', 'free-on-cam'), found('cam-in', 'pin-sound')]).reason(
        'cam-in',
        'pin-after-loose-phaser'
      )
    ).toBeUndefined()
  })

  it('an unread phaser is not passed', () => {
    expect(judged([]).reason('phaser-in', 'play-limit')).toMatchObject({
      call: 'look-closer',
      settle: { kind: 'phaserPlay', target: 'phaser-in' }
    })
  })

  it('a chain as long as a new one has not stretched, whatever the timing said', () => {
    const late = [
      { ...read.lag('cam-in', 8), sigma: 0.4 },
      { ...read.lag('cam-ex', 9), sigma: 0.4 }
    ]
    const { calls } = assessed(jobOf([...late, read.length(160.01), read.length(159.99)]))
    const of = (part: string) => calls.find((c) => c.part === part)!
    expect(of('main').reasons.some((r) => r.rule === 'measures-as-new')).toBe(true)
    expect(of('main').reasons.some((r) => r.rule === 'lag-limit')).toBe(false)
    expect(of('cam-in').reasons.find((r) => r.rule === 'late-but-not-stretched')!.text).toMatch(
      /phaser and locating pin/
    )
  })

  it('slack between the cams that goes when turned forward is no wear', () => {
    expect(judged([found('main', 'slack-taken-up')]).reason('main', 'found-slack-taken-up')).toMatchObject({
      call: 'back-in',
      text: expect.stringMatching(/kicked back/)
    })
    expect(judged([found('main', 'slack-stays')]).call('main')).toBe('look-closer')
  })

  it('uneven wear is a finding of its own', () => {
    const places = [160.1, 160.15, 161.1].map((value, i) => ({ ...read.length(value), place: i + 1 }))
    const { calls } = assessed(jobOf(places))
    expect(calls.find((c) => c.part === 'main')!.reasons.find((r) => r.rule === 'uneven-wear')!.readings).toEqual([
      0, 1, 2
    ])
  })

  it('hooked teeth throw doubt on the chain that ran on them', () => {
    expect(judged([found('crank', 'teeth-hooked')]).reason('main', 'chain-on-bad-teeth')!.settle).toEqual({
      kind: 'chainLength',
      target: 'main'
    })
  })
})

describe('the fragment ledger', () => {
  const missing = found('guide', 'piece-missing', { count: 3 })

  it('holds the engine until every piece is found or accepted in writing', () => {
    expect(judged([missing]).reason('engine', 'fragments')).toMatchObject({
      call: 'stop',
      text: expect.stringMatching(/^3 of 3/),
      release: expect.stringMatching(/accepted in writing/)
    })
    expect(
      judged([missing, found('engine', 'pieces-found', { count: 2 })]).reason('engine', 'fragments')!.text
    ).toMatch(/^1 of 3 missing pieces/)
    expect(
      judged([
        missing,
        found('engine', 'pieces-found', { count: 2 }),
        found('engine', 'pieces-accepted', { count: 1 })
      ]).call('engine')
    ).toBe('back-in')
  })

  it('is opened by a broken rail or plastic in the pan', () => {
    for (const broken of [found('guide', 'broken'), found('engine', 'oil-plastic')])
      expect(judged([broken]).reason('engine', 'fragments')!.call).toBe('look-closer')
  })
})

describe('after a jump on an interference engine', () => {
  const jumped = [read.lag('cam-in', -18)]
  const after = (more: Reading[], change: Partial<JobFile> = {}) => {
    const { calls } = assessed(jobOf([read.extension(9), ...jumped, ...more], change))
    return calls.find((c) => c.part === 'cam-in')!
  }

  it('it is held until compression or leak-down is found sound', () => {
    expect(after([])).toMatchObject({
      call: 'stop',
      reasons: [{ rule: 'jump', release: expect.stringMatching(/links counted from mark to mark/) }]
    })
    // Counted and found a tooth off, it is compression that decides.
    expect(after([read.count('cam-in', 'crank', 52)])).toMatchObject({
      call: 'stop',
      reasons: [{ rule: 'jump', release: expect.stringMatching(/leak-down found sound/) }]
    })
    expect(after([found('engine', 'compression-sound')]).reasons[0]).toMatchObject({
      call: 'look-closer',
      readings: [1, 2]
    })
  })

  it('low compression is a hold of its own', () => {
    expect(judged([found('engine', 'compression-low')]).reason('engine', 'compression-low')).toMatchObject({
      call: 'stop',
      release: expect.any(String)
    })
  })

  it('an early cam is argued from its direction, and what wear hides is said', () => {
    const { cams } = assessed(jobOf([read.length(160.7), read.length(160.7), ...jumped]))
    expect(sayArgument(cams['cam-in']!.argument!)).toMatch(/Wear cannot make a cam early.*[23]\.\d° is hidden by wear/)
    expect(cams['cam-ex']!.argument).toBeNull()
  })
})

describe('schools', () => {
  it('usage alone condemns nothing under on-evidence', () => {
    const calls = judged([], { usage: { value: 900_000, unit: 'km' } }).calls
    expect(calls.some((c) => c.call === 'renew' || c.call === 'stop')).toBe(false)
  })

  it('whole set leaves phasers that are newer than the rest', () => {
    const whole = (readings: Reading[]) => judged(readings, { school: 'whole-set' })
    expect(whole([]).reason('phaser-in', 'whole-set')!.call).toBe('renew')
    expect(whole([found('engine', 'renewed-phaser')]).reason('phaser-in', 'whole-set')).toBeUndefined()
  })

  it('weighed renews what saves money over the horizon, and says how much', () => {
    const near = [read.length(160.7), read.groove('guide', 0.9)]
    const over = (horizon: number) =>
      assessed(jobOf(near, { school: 'weighed', horizon }))
        .calls.find((c) => c.part === 'main')!
        .reasons.find((r) => r.rule === 'weighed')
    expect(over(150_000)).toMatchObject({
      call: 'renew',
      text: expect.stringMatching(/saves an expected \d+ EUR over 150000 km/)
    })
    expect(over(1000)).toMatchObject({ call: 'back-in', text: expect.stringMatching(/keeping it saves/) })
  })

  it('weighed keeps to the evidence where it condemns', () => {
    const broken = judged([found('guide', 'broken')], { school: 'weighed', horizon: 0 })
    expect(broken.call('guide')).toBe('renew')
    expect(broken.reason('guide', 'weighed')).toBeUndefined()
  })

  it('without prices it weighs by odds alone and says so', () => {
    const drive = changed(sheet('ardmere-a18'), (d) => delete d.parts)
    expect(judged([], { school: 'weighed', drive }).reason('main', 'weighed-by-odds')!.text).toMatch(/no prices/)
  })
})

describe('a lag that neither stretch nor a jump explains', () => {
  const counts = [
    read.count('crank', 'cam-ex', 53),
    read.count('cam-ex', 'cam-in', 20),
    read.count('cam-in', 'crank', 53)
  ]
  const late = (degrees: number, more: Reading[] = counts) =>
    assessed(
      jobOf([
        read.extension(5.5),
        read.length(160.08),
        read.groove('guide', 0.2),
        read.groove('arm', 0.2),
        { ...read.lag('cam-ex', 0.6), method: 'wheel' },
        { ...read.lag('cam-in', degrees), method: 'wheel' },
        ...more
      ])
    ).calls.find(({ part }) => part === 'cam-in')!
  it('asks for phaser, pin, key and mark of that cam, and says by how much it is off', () => {
    const reason = late(8).reasons.find(({ rule }) => rule === 'lag-unexplained')!
    expect(reason.call).toBe('look-closer')
    expect(reason.text).toMatch(/\d\.\d° later than chain, rails and counts explain.*locating pin/)
    expect(late(-7).reasons.find(({ rule }) => rule === 'lag-unexplained')!.text).toMatch(/earlier/)
  })
  it('is not said of a cam that stands where it should, nor of one that has jumped', () => {
    expect(late(0.5).reasons.map(({ rule }) => rule)).not.toContain('lag-unexplained')
    const jumped = late(20.6, [
      read.count('crank', 'cam-ex', 53),
      read.count('cam-ex', 'cam-in', 19),
      read.count('cam-in', 'crank', 54)
    ])
    expect(jumped.reasons.map(({ rule }) => rule)).not.toContain('lag-unexplained')
  })
})
