import { sayFault, writeReport } from '../../words/en'
import { reportFacts } from '../../core/views/report'
import { DEMO_WORKSHOP } from '../../demo/workshop'
import { describe, expect, it } from 'vitest'
import { assess, CORE_VERSION, ownPath, pathsOf } from '../../core/paths'
import {
  type Act,
  assessRecord,
  entryFaults,
  exportJob,
  foldActs,
  heldCalls,
  importJob,
  jobFile,
  type KeptJob,
  sinceSignoff
} from '../../core/record'
import { otherSchools } from '../../core/views/verdict'
import type { Reading } from '../../core/readings'
import { before, jobOf, read } from '../support/jobs'
import { sheet } from '../support/sheets'

const at = '2026-11-24T08:00:00.000Z'
const job: KeptJob = {
  vehicle: 'Pilot van 3',
  stand: 'Bay 2',
  complaint: 'Noise',
  openedBy: 'Maren',
  openedAt: at,
  sheet: sheet('ardmere-a18'),
  sheetRevision: 1,
  usage: { value: 148_200, unit: 'km' },
  school: 'on-evidence',
  corrections: null
}
const act = (id: string, more: object): Act => ({ id, by: 'Maren', at, ...more }) as Act
const took = (id: string, reading: Reading) => act(id, { type: 'read', reading })
const worn = [took('l', read.length(160.95)), took('e', read.extension(17))]
const overrules = (id: string, part: string, call: string, reason = 'Seen worse') =>
  act(id, { type: 'overrule', part, call, reason })

describe('a call that a mechanic overrules', () => {
  const held = (acts: Act[]) => heldCalls(assessRecord(job, acts).calls, foldActs(acts, job.school).overrules)
  it('holds, with the reason, and what the readings say stays beside it', () => {
    const chain = held([...worn, overrules('o', 'main', 'back-in')]).find(({ part }) => part === 'main')!
    expect(chain).toMatchObject({ holds: 'back-in', call: 'renew', overruled: { by: 'Maren', reason: 'Seen worse' } })
    expect(chain.reasons.length).toBeGreaterThan(0)
  })
  it('the last word counts, and taken back the readings hold again', () => {
    const acts = [...worn, overrules('o1', 'main', 'back-in'), overrules('o2', 'main', 'look-closer')]
    expect(held(acts).find(({ part }) => part === 'main')!.holds).toBe('look-closer')
    expect(
      held([...acts, act('u', { type: 'undo', act: 'o2' }), act('v', { type: 'undo', act: 'o1' })]).find(
        ({ part }) => part === 'main'
      )!.holds
    ).toBe('renew')
  })
  it('a part of which nothing is known may be called on too', () =>
    expect(held([overrules('o', 'phaser-in', 'renew')]).find(({ part }) => part === 'phaser-in')).toMatchObject({
      holds: 'renew'
    }))
  it('needs a reason and a part of this drive', () => {
    expect(entryFaults(before(job.sheet), overrules('o', 'main', 'renew', '  '))[0]!.place).toBe('reason')
    expect(entryFaults(before(job.sheet), overrules('o', 'ghost', 'renew'))[0]!.place).toBe('part')
  })
})

describe('the same readings under the other schools', () => {
  it('say what changes and why, and nothing where nothing does', () => {
    const file = jobFile(job, worn)
    const others = otherSchools(file, assess(file), assess(file).calls)
    expect(others.map(({ school }) => school)).toEqual(['whole-set', 'weighed'])
    for (const { changes } of others)
      for (const { here, there, why } of changes) {
        expect(here).not.toBe(there)
        expect(why).not.toBe('')
      }
  })
})

describe('pricing', () => {
  const file = jobOf([read.length(160.95)])
  const price = (pricing: object) => pathsOf({ ...file, pricing }, assess(file))!
  it("of the job takes the place of the sheet's, part by part", () => {
    const [plain, dear] = [pathsOf(file, assess(file))!, price({ hourRate: 2 * file.drive.money!.hourRate })]
    const twice = (i: number) => dear.paths.find((p) => p.renew.join() === plain.paths[i]!.renew.join())!.cost
    expect(twice(0).labour).toBeCloseTo(2 * plain.paths[0]!.cost.labour, 6)
    expect(twice(0).partsPrice).toBe(plain.paths[0]!.cost.partsPrice)
    const chain = file.drive.parts!.find(({ fits }) => fits === 'main')!
    expect(price({ prices: { [chain.id]: chain.price + 50 } }).paths[0]!.cost.partsPrice).toBeCloseTo(
      plain.paths[0]!.cost.partsPrice + 50,
      6
    )
  })
  it('a longer horizon brings higher odds of coming back', () =>
    expect(price({ horizon: 200_000 }).paths[0]!.cost.comeBack).toBeGreaterThan(
      price({ horizon: 10_000 }).paths[0]!.cost.comeBack
    ))
  it('odds that someone knows better take the place of the reckoned ones', () => {
    const said = price({ odds: { 'phaser-in': 0.9 } })
    expect(said.kept['phaser-in']).toEqual({ odds: 0.9, basis: 'said' })
    expect(said.paths[0]!.cost.comeBack).toBeGreaterThan(0.85)
  })
  it('said on the job lies over what the shop held, and travels with it', () => {
    const shop: KeptJob = { ...job, known: { pricing: { hourRate: 95, horizon: 30_000 } } }
    const acts = [act('p', { type: 'pricing', pricing: { hourRate: 70, prices: { x: 1 } } })]
    expect(jobFile(shop, acts).pricing).toEqual({ hourRate: 70, horizon: 30_000, prices: { x: 1 } })
    const back = importJob(JSON.parse(JSON.stringify(exportJob(shop, acts))), { by: 'x', at, newId: () => 'n' })
    expect(jobFile(back.job!, back.acts).pricing).toEqual({ hourRate: 70, horizon: 30_000, prices: { x: 1 } })
  })
  it('that is no pricing is refused', () =>
    expect(entryFaults(before(job.sheet), act('p', { type: 'pricing', pricing: { newPart: 2 } }))[0]!.place).toBe(
      'pricing.newPart'
    ))
})

describe('a path built by hand', () => {
  const file = jobOf([read.length(160.95)])
  const own = (renew: string[]) => ownPath(file, assess(file), renew)
  it('brings what a new chain needs, and says so', () => {
    const path = own(['main'])
    expect(path.brought.sort()).toEqual(['arm', 'bridge', 'guide', 'tensioner'])
    expect(path.keepsCondemned).not.toContain('main')
  })
  it('may keep what is condemned, and names it', () => expect(own([]).keepsCondemned).toContain('main'))
  it('a second part behind the same cover costs its own, not the access again', () => {
    const [guide, arm, both] = [own(['guide']), own(['arm']), own(['guide', 'arm'])]
    expect(both.cost.now - guide.cost.now).toBeLessThan(arm.cost.now / 3)
  })
  it('of a sheet without prices there is none', () =>
    expect(() => ownPath({ ...file, drive: { ...file.drive, parts: [] } }, assess(file), [])).toThrow(RangeError))
})

describe('a signed verdict', () => {
  const signed = (acts: Act[]) =>
    act('s', {
      type: 'signoff',
      revision: 1,
      core: CORE_VERSION,
      sheetRevision: 1,
      assessment: assessRecord(job, acts)
    })
  const since = (acts: Act[]) =>
    sinceSignoff(acts, acts.find((a) => a.type === 'signoff') as never, assessRecord(job, acts), job.school)
  it('is what it was while nothing changes, whatever else is noted', () => {
    expect(since([...worn, signed(worn)])).toBeNull()
    expect(since([...worn, signed(worn), act('w', { type: 'waits', for: 'part' })])).toBeNull()
  })
  it('tells a later reading, the moved elongation and the calls it changes', () => {
    const found = since([...worn, signed(worn), act('u', { type: 'undo', act: 'l' }), took('l2', read.length(160.1))])!
    expect(found.added.map(({ id }) => id)).toEqual(['l2'])
    expect(found.gone.map(({ id }) => id)).toEqual(['l'])
    expect(found.elongations[0]!.is).toBeLessThan(found.elongations[0]!.was)
    expect(found.calls.find(({ part }) => part === 'main')?.was).toBe('renew')
  })
  it('tells what was decided otherwise since, and another school', () => {
    const found = since([
      ...worn,
      signed(worn),
      overrules('o', 'main', 'back-in'),
      act('c', { type: 'school', school: 'whole-set' })
    ])!
    expect(found.overrules).toEqual([{ part: 'main', was: null, is: 'Seen worse' }])
    expect(found.school).toEqual({ was: 'on-evidence', is: 'whole-set' })
  })
})

describe("the customer's report", () => {
  const report = (acts: Act[]) => writeReport(reportFacts(job, acts, assessRecord(job, acts), DEMO_WORKSHOP))
  it('says what was found against which limit, what is advised, what it costs, and what was not checked', () => {
    const r = report(worn)
    expect(r.happened[0]).toMatch(/Timing chain is 0\.\d\d % longer than new/)
    expect(r.measures.find(({ what }) => what === 'longer than new')).toMatchObject({
      name: 'Timing chain',
      limit: '0.5 %, sample sheet',
      over: true
    })
    expect(r.measures.find(({ what }) => what === 'plunger out')!.asNew).toBe('3.0 mm')
    expect(r.paths.filter(({ advised }) => advised)).toHaveLength(1)
    expect(r.paths.every(({ priceWords }) => / EUR$/.test(priceWords))).toBe(true)
    expect(r.notChecked.join()).toContain('Fixed guide: groove depth')
    expect(r.ifLeft.join()).toContain('valves can meet pistons')
  })
  it('says what a way costs at the least, and how much when what is left open turns out worn', () => {
    const open = report([took('e', read.extension(9)), took('f', read.found('phaser-ex', 'not-locked'))])
    const least = open.paths.find(({ openWords }) => openWords)!
    expect(least.openWords).toMatch(/^at least; \d[\d\s]* EUR if (all of )?.*exhaust phaser.* turns? out worn$/)
    expect(Number(/; ([\d\s]+) EUR/.exec(least.openWords!)![1]!.replaceAll(/\s/g, ''))).toBeGreaterThan(least.price)
    const whole = open.paths.find(({ title }) => title.includes('Everything behind the cover'))!
    expect(whole.openWords).not.toMatch(/tensioner|guide/)
  })
  it('advises the path the workshop put together', () => {
    const r = report([...worn, act('p', { type: 'path', renew: ['main', 'guide', 'arm', 'tensioner', 'phaser-in'] })])
    expect(r.paths.find(({ advised }) => advised)!.renew).toContain('phaser-in')
  })
  it('a decision against the readings stands with its name', () =>
    expect(
      report([...worn, overrules('o', 'main', 'back-in')]).calls.find(({ part }) => part === 'main')
    ).toMatchObject({ call: 'back-in', why: 'Seen worse', by: 'Maren' }))
  it('of a job without readings promises nothing', () => {
    const r = report([])
    expect(r.measures).toEqual([])
    expect(r.happened[0]).toMatch(/Nothing has been read yet/)
  })
})

describe('a job file of an older version', () => {
  const { drive, usage, ...others } = jobOf([read.groove('guide', 0.4)])
  it('is brought up to date', () => {
    const old = { ...others, version: 0, sheet: drive, usage: usage.value, unit: 'km' }
    const taken = importJob(old, { by: 'x', at, newId: () => 'n' })
    expect(taken.faults).toEqual([])
    expect(taken.job).toMatchObject({ usage, sheet: drive })
  })
  it('of a newer one is refused in words', () =>
    expect(
      importJob({ ...others, drive, usage, version: 9 }, { by: 'x', at, newId: () => 'n' }).faults.map(sayFault)[0]
    ).toMatch(/newer than this program reads/))
})
