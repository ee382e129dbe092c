import { SCHOOL_WORDS, namesOf, sayDifference } from '../../words/en'
import { describe, expect, it } from 'vitest'
import { estimate } from '../../core/estimate'
import type { JobFile, Reading } from '../../core/readings'
import { accessTo, assumptionsOf, cheapest, keptOdds, pathsOf } from '../../core/paths'
import { jobOf, read } from '../support/jobs'
import { changed, sheet, SHEETS } from '../support/sheets'

const ardmere = sheet('ardmere-a18')
const SOUND = [
  read.extension(5.5),
  read.length(160.12),
  read.groove('guide', 0.2),
  read.groove('arm', 0.3),
  read.play('phaser-in', 0.2),
  read.play('phaser-ex', 0.2)
]
const paths = (readings: Reading[], more: Partial<JobFile> = {}, changes = {}) =>
  pathsOf(jobOf(readings, more), estimate(jobOf(readings, more)), changes)!
const named = (all: ReturnType<typeof paths>, name: string) =>
  all.paths.find(({ schools }) => schools.some((school) => SCHOOL_WORDS[school].name === name))!

describe('undecided parts', () => {
  it('stand beside a price: at least so much, and what it comes to if all of them turn out worn', () => {
    const [loose, sound] = [SOUND.slice(0, 4), SOUND].map((readings) => named(paths(readings), 'On evidence'))
    expect(loose!.undecided.parts).toEqual(expect.arrayContaining(['phaser-in', 'phaser-ex']))
    expect(loose!.undecided.atMost).toBeGreaterThan(loose!.cost.now + 100)
    expect(sound!.undecided.parts).not.toContain('phaser-in')
    expect(sound!.undecided.atMost).toBeLessThan(loose!.undecided.atMost)
  })

  it('are none that the path renews anyway', () => {
    const { undecided, renew } = named(paths(SOUND.slice(0, 4)), 'Whole set')
    expect(undecided.parts.filter((part) => renew.includes(part))).toEqual([])
    expect(undecided.atMost).toBeGreaterThanOrEqual(named(paths(SOUND.slice(0, 4)), 'Whole set').cost.now)
  })
})

describe('access', () => {
  it('is the closure of what operations require, each once, in an order that can be done', () => {
    const order = accessTo(ardmere.operations!, ['chain-off']).map((o) => o.id)
    expect(new Set(order)).toEqual(
      new Set(['drain', 'belt', 'pulley', 'rocker-cover', 'mount', 'front-cover', 'set', 'chain-off'])
    )
    for (const { id, requires } of ardmere.operations!)
      for (const first of requires) if (order.includes(id)) expect(order.indexOf(first)).toBeLessThan(order.indexOf(id))
  })

  it('is paid once: the second part behind one cover costs its price and little more', () => {
    const guide = named(paths([...SOUND, read.found('guide', 'cracked')]), 'On evidence')
    const both = named(
      paths([...SOUND, read.found('guide', 'cracked'), read.found('tensioner', 'ratchet-worn')]),
      'On evidence'
    )
    expect(guide.renew).toEqual(['guide'])
    expect(both.cost.hours - guide.cost.hours).toBeCloseTo(0.1, 6)
    expect(both.operations).toEqual(guide.operations)
    expect(both.cost.now - guide.cost.now).toBeCloseTo(64 + 4 + 0.1 * 80, 6)
  })

  it('brings what is always renewed, each once however many parts bring it', () => {
    const { items, cost } = named(paths([...SOUND, read.found('main', 'stiff-links')]), 'On evidence')
    expect(items).toContainEqual({ id: 'oil', quantity: 5 })
    expect(items.filter(({ id }) => id === 'cover-sealant')).toHaveLength(1)
    expect(cost.itemsPrice).toBeCloseTo(
      items.reduce(
        (sum, { id, quantity }) => sum + quantity * ardmere.alwaysRenewed!.find((i) => i.id === id)!.price,
        0
      ),
      9
    )
  })
})

describe('odds of coming back', () => {
  const odds = (component: string, readings: Reading[], more: Partial<JobFile> = {}) => {
    const job = jobOf(readings, more)
    return keptOdds(job, estimate(job), component, assumptionsOf(job))
  }

  it('of a measured part follow its wear at its rate to the limit', () => {
    expect(odds('guide', [read.groove('guide', 0.3)])).toMatchObject({ basis: 'measured' })
    expect(odds('guide', [read.groove('guide', 0.3)]).odds).toBeLessThan(0.01)
    expect(odds('guide', [read.groove('guide', 1.0)]).odds).toBeGreaterThan(0.8)
    expect(odds('guide', [read.groove('guide', 1.0)], { horizon: 5000 }).odds).toBeLessThan(0.1)
  })

  it("of a part nobody measured follow usage, given that it has lasted so far, and the part's own age", () => {
    const old = odds('guide', [])
    expect(old.basis).toBe('by usage')
    expect(odds('guide', [], { fitted: { guide: 140_000 } }).odds).toBeLessThan(0.2 * old.odds)
    const { scale, shape } = assumptionsOf(jobOf([])).weibull.guide
    expect(old.odds).toBeCloseTo(1 - Math.exp((148_200 / scale) ** shape - (208_200 / scale) ** shape), 9)
  })
})

describe('paths side by side', () => {
  const worn = paths([read.extension(12), read.length(160.5), read.groove('guide', 0.8)])

  it('show the three schools, dearer now for less risk, and why each differs from the one before', () => {
    expect(worn.paths.map((p) => p.cost.now)).toEqual(worn.paths.map((p) => p.cost.now).sort((a, b) => a - b))
    for (const name of ['On evidence', 'Whole set', 'Weighed']) expect(named(worn, name)).toBeDefined()
    expect(named(worn, 'Whole set').cost.comeBack).toBeLessThan(named(worn, 'On evidence').cost.comeBack)
    for (const { differs } of worn.paths.slice(1))
      expect(sayDifference(differs, namesOf(ardmere))).toMatch(/^(Renews|Keeps) .*odds of coming back from .* to .*\.$/)
  })

  it('weighed is the cheapest expected of all allowed sets', () => {
    const job = jobOf([read.extension(12), read.length(160.5), read.groove('guide', 0.8)])
    const coupled = (id: string) => (id === 'main' ? ['guide', 'arm', 'bridge', 'tensioner'] : [])
    const { sets, score } = cheapest(job, estimate(job), [], coupled, assumptionsOf(job))
    const least = Math.min(...sets.map((mask) => score(mask).expected))
    expect(named(worn, 'Weighed').cost.expected).toBeCloseTo(least, 5)
    expect(sets).toHaveLength(136)
  })

  it('no path on the front is beaten in both price now and odds of coming back', () => {
    const front = worn.paths.filter((p) => p.onFront)
    expect(front.length).toBeGreaterThan(2)
    front.slice(1).forEach((path, i) => expect(path.cost.comeBack).toBeLessThan(front[i]!.cost.comeBack))
  })

  it('hold every coupling: no path renews the chain without rails and tensioner', () => {
    for (const { renew } of worn.paths.filter((p) => p.renew.includes('main')))
      expect(renew).toEqual(expect.arrayContaining(['guide', 'arm', 'tensioner']))
  })

  it('hold what the evidence condemns in every path', () => {
    for (const { renew } of paths([...SOUND, read.found('arm', 'broken')]).paths) expect(renew).toContain('arm')
  })

  it('cost more to risk on an interference engine', () => {
    const drive = changed(ardmere, (d) => (d.engine.interference = false))
    const [risky, mild] = [paths([read.length(160.5)]), paths([read.length(160.5)], { drive })].map(
      (p) => named(p, 'On evidence').cost
    )
    expect(risky!.expected - risky!.now).toBeGreaterThan(1.3 * (mild!.expected - mild!.now))
  })

  it('can be repriced: a dearer hour makes access weigh more', () => {
    const dear = paths([read.length(160.5)], {}, { hourRate: 200 })
    expect(named(dear, 'Whole set').cost.labour).toBeCloseTo(
      2.5 * named(paths([read.length(160.5)]), 'Whole set').cost.labour,
      6
    )
  })

  it('name what must be renewed and has no price, and are none for a sheet without parts', () => {
    const drive = changed(ardmere, (d) => (d.parts = d.parts.filter((p: { fits: string }) => p.fits !== 'guide')))
    expect(paths([...SOUND, read.found('guide', 'cracked')], { drive }).unpriced).toEqual(['guide'])
    expect(paths([], { drive: changed(ardmere, (d) => delete d.parts) })).toBeNull()
  })

  it('take the cheaper way in where the sheet has two', () => {
    const drive = changed(sheet('quillon-q40'), (d) => {
      d.parts = d.parts.filter((p: { fits: string }) => p.fits === 'cam-chain')
      d.rails = d.rails.map((r: object) => r)
    })
    const { way, operations } = named(
      paths([{ kind: 'condition', target: 'cam-chain', finding: 'stiff-links' }], {
        drive,
        usage: { value: 30_000, unit: 'km' }
      }),
      'On evidence'
    )
    expect(way).toBe('rolled-in')
    expect(operations).toContain('roll-in')
  })

  it.each(SHEETS)('exist for %s', (id) => {
    const all = paths([], { drive: sheet(id) })
    expect(all.paths.length).toBeGreaterThan(1)
    for (const { cost } of all.paths)
      for (const figure of Object.values(cost)) expect(Number.isFinite(figure)).toBe(true)
  })
})
