import { namesOf, sayStatement } from '../../words/en'
import { assess } from '../../core/paths'
import { assessed } from '../support/told'
import { describe, expect, it } from 'vitest'
import { plainVerdict } from '../../core/views/verdict'
import type { Call } from '../../core/calls'
import type { JobFile, Reading, School } from '../../core/readings'
import { jobOf, read } from '../support/jobs'
import { changed, sheet } from '../support/sheets'

const judged = (readings: Reading[], more: Partial<JobFile> = {}) => {
  const { calls } = assessed(jobOf(readings, more))
  const of = (part: string) => calls.find((c) => c.part === part)
  return {
    calls,
    call: (part: string): Call | undefined => of(part)?.call,
    reason: (part: string, rule: string) => of(part)?.reasons.find((r) => r.rule === rule)
  }
}
const without = (kind: string) =>
  changed(sheet('ardmere-a18'), (d) => (d.limits = d.limits.filter((l: { kind: string }) => l.kind !== kind)))

const SOUND = [
  read.extension(5.5),
  read.lag('cam-ex', 0.8),
  read.lag('cam-in', 0.5),
  read.length(160.12),
  read.groove('guide', 0.2),
  read.groove('arm', 0.3)
]
const STRETCHED = [
  read.extension(18),
  read.lag('cam-ex', 6.5),
  read.lag('cam-in', 5),
  read.length(160.95),
  read.groove('guide', 0.3),
  read.groove('arm', 0.3)
]

describe('on evidence', () => {
  it('a sound drive goes back in, whatever its age', () => {
    const { call } = judged(SOUND, { usage: { value: 390_000, unit: 'km' } })
    for (const part of ['main', 'guide', 'arm', 'tensioner', 'cam-ex', 'cam-in']) expect(call(part)).toBe('back-in')
  })

  it('a chain past its limit is renewed, naming its readings, the limit and its source', () => {
    const { call, reason } = judged(STRETCHED)
    expect(call('main')).toBe('renew')
    expect(reason('main', 'elongation-limit')).toMatchObject({
      call: 'renew',
      readings: [0, 1, 2, 3],
      limit: { value: 0.5, unit: '%', source: 'sample sheet' }
    })
  })

  it('a new chain brings new rails, those standing clear too, its tensioner and its sprockets', () => {
    const { call, reason } = judged(STRETCHED)
    for (const part of ['guide', 'arm', 'bridge', 'tensioner']) {
      expect(call(part)).toBe('renew')
      expect(reason(part, 'new-chain')!.text).toMatch(/Timing chain/)
    }
    for (const part of ['crank', 'cam-ex', 'cam-in']) expect(reason(part, 'sprockets-follow')!.call).toBe('renew')
  })

  it('a rail past its groove limit is renewed alone: the chain stays', () => {
    const { call } = judged([...SOUND.slice(0, 4), read.groove('guide', 1.6), read.groove('arm', 0.2)])
    expect(call('guide')).toBe('renew')
    expect(call('arm')).toBe('back-in')
    expect(call('main')).toBe('back-in')
  })

  it('a part that nobody measured is looked at closer, and the reading that decides is named', () => {
    const { call, reason } = judged([read.extension(5.5), read.length(160.1)])
    expect(call('guide')).toBe('look-closer')
    expect(reason('guide', 'groove-limit')!.settle).toEqual({ kind: 'groove', target: 'guide' })
    expect(reason('cam-in', 'jump')!.settle).toEqual({ kind: 'camLag', target: 'cam-in' })
  })

  it('with nothing read, nothing goes back in and nothing is renewed', () => {
    expect(new Set(judged([]).calls.map((c) => c.call))).toEqual(new Set(['look-closer']))
  })

  it("an extension past its limit is the chain's doing when its growth is mostly stretch", () => {
    const { call, reason } = judged([
      read.extension(15.3),
      read.length(160.68),
      read.groove('guide', 0.2),
      read.groove('arm', 0.2)
    ])
    expect(reason('main', 'extension-limit')!.text).toMatch(/is stretch/)
    expect(call('main')).toBe('renew')
    expect(reason('tensioner', 'extension-limit')!.call).toBe('look-closer')
  })

  it('an extension that nothing explains is looked into, not blamed on the chain', () => {
    const { call, reason } = judged([
      read.extension(16),
      read.length(160.1),
      read.length(160.1),
      read.length(160.1),
      read.groove('guide', 0.1),
      read.groove('arm', 0.1),
      read.pad(0.1)
    ])
    expect(reason('tensioner', 'extension-limit')!.text).toMatch(/no other reading explains/)
    expect(call('main')).not.toBe('renew')
  })

  it('a worn pad renews the tensioner', () => expect(judged([...SOUND, read.pad(0.9)]).call('tensioner')).toBe('renew'))
  it('play past its limit renews the phaser, play near it is looked at closer', () => {
    expect(judged([read.play('phaser-in', 3)]).call('phaser-in')).toBe('renew')
    expect(judged([read.play('phaser-in', 1.5)]).call('phaser-in')).toBe('look-closer')
    expect(judged([read.play('phaser-in', 0.4)]).call('phaser-in')).toBe('back-in')
  })

  it('cams late by wear past the lag limit condemn the chain', () => {
    const { reason } = judged([
      { ...read.lag('cam-ex', 7.5), sigma: 0.4 },
      { ...read.lag('cam-in', 5.8), sigma: 0.4 }
    ])
    expect(reason('main', 'lag-limit')).toMatchObject({ call: 'renew', limit: { value: 5, unit: 'crank degrees' } })
  })

  it('readings at odds are said on the chain and named', () => {
    const { reason } = judged([read.extension(6), read.lag('cam-in', 0.8), read.length(161.4), read.length(160.1)])
    expect(reason('main', 'readings-at-odds')!.readings).toContain(2)
  })

  it("a chain beyond the arm's reach is renewed", () => {
    expect(
      judged([read.extension(22), read.length(162.2), read.lag('cam-ex', 14)]).reason('main', 'out-of-travel')!.call
    ).toBe('renew')
  })
})

describe('jumps', () => {
  const jumped = [read.extension(9), read.lag('cam-in', -18), read.lag('cam-ex', 2)]

  it('on an interference engine stop: valves first, then the starter; and wear cannot make a cam early', () => {
    const { call, reason } = judged(jumped)
    expect(call('cam-in')).toBe('stop')
    expect(reason('cam-in', 'jump')!.text).toMatch(/1 tooth early.*Wear cannot.*leak-down/)
    expect(call('cam-ex')).toBe('back-in')
    expect(reason('tensioner', 'why-it-jumped')!.call).toBe('look-closer')
  })

  it('on any other engine it is set again', () => {
    const drive = changed(sheet('ardmere-a18'), (d) => (d.engine.interference = false))
    expect(judged(jumped, { drive }).call('cam-in')).toBe('look-closer')
  })

  it('a lag that may be a jump asks for a link count', () => {
    const { call, reason } = judged([{ ...read.lag('cam-in', 15), sigma: 3 }])
    expect(call('cam-in')).toBe('look-closer')
    expect(reason('cam-in', 'jump')!.settle).toMatchObject({ kind: 'linkCount' })
  })
})

describe('a missing limit is never a pass', () => {
  it.each([
    ['elongation', 'main', 'elongation-limit'],
    ['groove', 'guide', 'groove-limit'],
    ['padWear', 'tensioner', 'pad-limit']
  ])('%s', (kind, part, rule) => {
    const { reason } = judged([...SOUND, read.pad(0.1)], { drive: without(kind) })
    expect(reason(part, rule)).toMatchObject({
      call: 'look-closer',
      limit: null,
      text: expect.stringMatching(/maker's manual/)
    })
  })

  it("of the tensioner's own extension", () => {
    const drive = changed(sheet('ardmere-a18'), (d) => delete d.tensioners[0].limit)
    expect(judged(SOUND, { drive }).reason('tensioner', 'extension-limit')!.call).toBe('look-closer')
  })
})

describe('schools', () => {
  const under = (school: School, readings = SOUND, more: Partial<JobFile> = {}) => judged(readings, { school, ...more })

  it('whole set renews everything behind the cover together, phasers too, and says why', () => {
    const { call, reason } = under('whole-set')
    for (const part of ['main', 'guide', 'arm', 'bridge', 'tensioner', 'phaser-in']) expect(call(part)).toBe('renew')
    expect(reason('guide', 'whole-set')!.text).toMatch(/access/)
    expect(reason('guide', 'groove-limit')!.call).toBe('back-in')
  })

  it('weighed renews from even odds and says that no prices were weighed', () => {
    const near = [{ kind: 'chainLength', chain: 'main', links: 20, value: 160.82 }] satisfies Reading[]
    expect(under('on-evidence', near).call('main')).toBe('look-closer')
    const unpriced = { drive: changed(sheet('ardmere-a18'), (d) => delete d.parts) }
    expect(under('weighed', near, unpriced).call('main')).toBe('renew')
    expect(under('weighed', near, unpriced).reason('main', 'weighed-by-odds')!.text).toMatch(/no prices/)
  })
})

describe('an assessment', () => {
  it('is the same for the same job, to the last character', () => {
    expect(JSON.stringify(assessed(jobOf(STRETCHED)))).toBe(JSON.stringify(assessed(jobOf(structuredClone(STRETCHED)))))
  })

  it('calls both chains of a drive with two, by their own readings', () => {
    const drive = sheet('vellora-v28')
    const { call } = judged(
      [
        { kind: 'chainLength', chain: 'bank-1', links: 20, value: 161 },
        { kind: 'chainLength', chain: 'bank-2', links: 20, value: 160.1 }
      ],
      { drive }
    )
    expect([call('bank-1'), call('bank-2'), call('guide-1'), call('guide-2')]).toEqual([
      'renew',
      'back-in',
      'renew',
      'look-closer'
    ])
  })
})

describe('the verdict in plain words', () => {
  const said = (readings: Reading[]) =>
    plainVerdict(sheet('ardmere-a18'), assess(jobOf(readings))).map((statement) =>
      sayStatement(statement, namesOf(sheet('ardmere-a18')))
    )
  it('says what happened with its odds', () => {
    expect(said(STRETCHED)[0]).toMatch(
      /^Timing chain is 0\.5\d % longer than new, give or take 0\.0\d: past its limit of 0\.5 %, over 9\d % likely|9\d % likely/
    )
    expect(said(STRETCHED).at(-1)).toMatch(/No tooth has jumped on any cam/)
    expect(said([read.lag('cam-in', -18)])[1]).toMatch(/Intake cam sprocket has jumped 1 tooth early/)
  })
  it('says what else is past its limit, and nothing of what is not', () => {
    expect(
      said([
        read.extension(14.5),
        read.length(160.4),
        read.groove('guide', 1.6),
        read.groove('arm', 0.3),
        read.play('phaser-in', 9)
      ]).slice(1, -1)
    ).toEqual([
      expect.stringMatching(
        /^Hydraulic ratchet tensioner stands 14\.5 mm out: past its limit of 13\.5 mm, (over )?9\d % likely\.$/
      ),
      expect.stringMatching(/^Fixed guide: groove 1\.5\d mm .* likely past it\.$/),
      expect.stringMatching(/^Intake.*: play 9\.0° at lock, limit .* likely past it\.$/)
    ])
  })
  it('says what is not known', () => {
    expect(said([])).toEqual(['Nothing has been read yet, so nothing can be said of this drive.'])
    expect(said([read.length(160.2)])[1]).toMatch(/not known/)
  })
})
