import { namesOf, sayHold, sayHoldRelease, sayMeaning, sayStepCaution, sayTask } from '../../words/en'
import { describe, expect, it } from 'vitest'
import { buildPlan, closingJob, expectedRebuilt, rebuildOf, twoTurns, readingExpected } from '../../core/views/buildup'
import { assess } from '../../core/paths'
import { type Act, type ActOf, assessRecord, foldActs, jobFile, type KeptJob } from '../../core/record'
import type { Reading } from '../../core/readings'
import { jobOf, read } from '../support/jobs'
import { changed, sheet } from '../support/sheets'

const drive = sheet('ardmere-a18')
const at = '2026-11-24T08:00:00.000Z'
const job: KeptJob = {
  vehicle: 'Van',
  stand: '',
  complaint: '',
  openedBy: 'Maren',
  openedAt: at,
  sheet: drive,
  usage: { value: 148_200, unit: 'km' },
  school: 'on-evidence',
  corrections: null
}
let n = 0
const act = (more: object): Act => ({ id: `a${n++}`, by: 'Maren', at, ...more }) as Act
const took = (reading: Reading) => act({ type: 'read', reading })
const FULL = ['main', 'guide', 'arm', 'bridge', 'tensioner']
const WORN = [took(read.length(160.95)), took(read.extension(17)), took(read.groove('guide', 0.4))]
const texts = (renew: string[], way: string | null = null, s = drive) =>
  buildPlan(s, renew, way).groups.flatMap(({ tasks }) => tasks.map((task) => sayTask(task, namesOf(s))))

describe('the plan of a build-up', () => {
  it('closes the engine in the reverse of how it was opened', () => {
    const { operations, groups } = buildPlan(drive, FULL, null)
    const closed = groups
      .find(({ key }) => key === 'assembly')!
      .tasks.filter(({ id }) => id.startsWith('op:'))
      .map(({ id }) => id.slice(3))
    expect(closed).toEqual(operations.map(({ id }) => id).reverse())
    expect(closed.indexOf('chain-off')).toBeLessThan(closed.indexOf('front-cover'))
  })
  it('has each torque in its steps, and a stretch bolt as new with a caution', () => {
    const tasks = buildPlan(drive, FULL, null).groups.flatMap((g) => g.tasks)
    expect(tasks.filter(({ id }) => id.startsWith('torque:pulley')).map(({ tighten }) => tighten)).toEqual([
      { newtonMetres: 100 },
      { degrees: 120 }
    ])
    expect(
      tasks
        .find(({ id }) => id === 'torque:pulley:1')!
        .cautions.map((caution) => sayStepCaution(caution))
        .join()
    ).toMatch(/New bolts only/)
    expect(tasks.map((task) => sayTask(task, namesOf(drive))).find((text) => /pulley bolt/i.test(text))).toMatch(
      /stretch bolt never goes back/
    )
    expect(tasks.some((task) => /reuse/i.test(sayTask(task, namesOf(drive))))).toBe(false)
  })
  it('says before the operation what costs the timing', () =>
    expect(
      buildPlan(drive, FULL, null)
        .groups.flatMap((g) => g.tasks)
        .find(({ id }) => id === 'op:pulley')!
        .cautions.map((caution) => sayStepCaution(caution))
        .join()
    ).toMatch(/held by clamping alone/))
  it('of a superseded part asks for the revised design', () =>
    expect(
      buildPlan(drive, ['tensioner'], null)
        .groups[0]!.tasks[0]!.cautions.map((caution) => sayStepCaution(caution))
        .join()
    ).toMatch(/revised design only/))
  it('another way in needs other operations', () => {
    const vellora = sheet('vellora-v28')
    const way = vellora.waysIn?.[0] ?? sheet('torvane-d26').waysIn?.[0]
    const owner = vellora.waysIn?.length ? vellora : sheet('torvane-d26')
    const part = owner.parts!.find(({ id }) => way!.needs[id])!.fits
    expect(texts([part], way!.id, owner)).not.toEqual(texts([part], null, owner))
  })
  it('keeps the banks of a V engine apart', () =>
    expect(
      buildPlan(sheet('vellora-v28'), ['guide-1'], null)
        .groups.flatMap((g) => g.tasks)
        .some(({ cautions }) =>
          cautions
            .map((caution) => sayStepCaution(caution))
            .join()
            .includes('Banks kept apart')
        )
    ).toBe(true))
  it('without parts on the sheet still has what is renewed, counted and filled', () =>
    expect(buildPlan({ ...drive, parts: [], operations: [] }, FULL, null).groups.map(({ key }) => key)).toEqual([
      'parts',
      'inside'
    ]))
})

describe('what a rebuilt drive should show', () => {
  const before = assess(jobOf([read.length(160.95), read.groove('guide', 0.8)]))
  const extension = (renew: string[]) => expectedRebuilt(drive, before, renew).find(({ kind }) => kind === 'extension')!
  it('with everything new, the new extension and its scatter', () => {
    expect(extension(FULL).value).toBeCloseTo(3, 1)
    expect(extension(FULL)).toMatchObject({ within: expect.closeTo(1.645 * 0.5, 2), notches: 1 })
    expect(
      expectedRebuilt(drive, before, FULL).flatMap(({ kind, value }) => (kind === 'linkCount' ? [value] : []))
    ).toEqual([53, 20, 53])
  })
  it('with what is known of the engine in it', () => {
    const known = expectedRebuilt(drive, before, FULL, { skim: { 1: 0.3 }, offsetKeys: { 'cam-in': 4 } })
    expect(known.find(({ kind }) => kind === 'extension')!.value).toBeGreaterThan(4.5)
    expect(known.find(({ target }) => target === 'cam-in')!.value).toBeGreaterThan(4.4)
  })
  it('a worn rail that went back stands in it, and so does the doubt about it', () => {
    const kept = extension(['main', 'tensioner', 'arm'])
    expect(kept.value).toBeGreaterThan(extension(FULL).value + 0.1)
    expect(kept.within).toBeGreaterThan(extension(FULL).within)
  })
})

describe('two turns by hand', () => {
  const expected = expectedRebuilt(drive, assess(jobOf([])), FULL)
  const means = (message: Parameters<typeof sayMeaning>[0]) => sayMeaning(message, namesOf(drive))
  const right = (round: ActOf<'rebuilt'>['round']) => expected.map((one) => ({ round, reading: readingExpected(one) }))
  const check = (readings: ReturnType<typeof right>) => twoTurns(drive, expected, readings)
  const off = (round: ActOf<'rebuilt'>['round'], kind: string, target: string, by: number) =>
    right(round).map((r) =>
      r.reading.kind === kind && (r.reading.sprocket ?? r.reading.tensioner ?? r.reading.from) === target
        ? { round, reading: { ...r.reading, value: r.reading.value! + by } as Reading }
        : r
    )

  it('read as set and again alike, everything is right', () =>
    expect(new Set(check([...right('set'), ...right('turned')]).map(({ state }) => state))).toEqual(new Set(['right'])))
  it('as set alone is not enough', () =>
    expect(new Set(check(right('set')).map(({ state }) => state))).toEqual(new Set(['open'])))
  it('a tooth off at one cam is named with that cam', () => {
    const line = check([...off('set', 'camLag', 'cam-in', 20), ...off('turned', 'camLag', 'cam-in', 20)]).find(
      ({ expected: e }) => e.target === 'cam-in'
    )!
    expect(line.state).toBe('differs')
    expect(line.means.map(means).join()).toMatch(/1 tooth late at intake cam sprocket\. Do not start/)
  })
  it('every cam off alike points at the crank sprocket', () => {
    const both = off('turned', 'camLag', 'cam-in', 20).map((r) =>
      r.reading.sprocket === 'cam-ex' ? { ...r, reading: { ...r.reading, value: r.reading.value! + 20 } as Reading } : r
    )
    expect(
      check([...right('set'), ...both])
        .flatMap((line) => line.means.map(means))
        .join()
    ).toMatch(/at the crank sprocket/)
  })
  it('a mark that moved while turning is a jump, not a setting', () =>
    expect(
      check([...right('set'), ...off('turned', 'camLag', 'cam-ex', 20)])
        .flatMap((line) => line.means.map(means))
        .join()
    ).toMatch(/moved while being turned/))
  it('a count that is off, even by a half, is not passed', () =>
    expect(
      check([...right('set'), ...off('turned', 'linkCount', 'crank', 0.5)]).find(({ state }) => state === 'differs')!
        .expected.kind
    ).toBe('linkCount'))
  it('a plunger too far in, or too far out, says what it can be', () => {
    expect(
      check(off('turned', 'extension', 'tensioner', -2.9))
        .flatMap((line) => line.means.map(means))
        .join()
    ).toMatch(/pin is still in/)
    expect(
      check(off('turned', 'extension', 'tensioner', 6))
        .flatMap((line) => line.means.map(means))
        .join()
    ).toMatch(/rails swapped/)
  })
  it('the scatter of reading it is no difference', () =>
    expect(
      check([...right('set'), ...off('turned', 'camLag', 'cam-in', 1.5)]).every(({ state }) => state === 'right')
    ).toBe(true))
})

describe('holds', () => {
  const holds = (acts: Act[], s = drive) => {
    const of = { ...job, sheet: s }
    return rebuildOf(of, acts, assessRecord(of, acts)).holds
  }
  const open = (acts: Act[], s = drive) =>
    holds(acts, s)
      .filter(({ released }) => !released)
      .map(({ id }) => id)
  const finished = (acts: Act[]) => {
    const { plan, expected } = rebuildOf(job, acts, assessRecord(job, acts))
    const tasks = plan.groups
      .flatMap((g) => g.tasks)
      .map(({ id, asks }) => act({ type: 'task', task: id, state: 'done', ...(asks === 'count' ? { value: 3 } : {}) }))
    const turned = expected.map((one) => act({ type: 'rebuilt', round: 'turned', reading: readingExpected(one) }))
    return [...acts, ...tasks, ...turned]
  }
  it('a rebuild done, turned and read as it should be is held by nothing', () =>
    expect(open(finished(WORN))).toEqual([]))
  it('open steps and turns not yet made hold', () =>
    expect(open(WORN)).toEqual(expect.arrayContaining(['tasks', 'two-turns-open'])))
  it('missing pieces hold until found or accepted, whatever else is done', () => {
    const lost = [
      ...WORN,
      took(read.found('guide', 'broken')),
      took(read.found('guide', 'piece-missing', { count: 2 }))
    ]
    expect(open(finished(lost))).toContain('fragments:engine')
    expect(open(finished([...lost, took(read.found('engine', 'pieces-found', { count: 2 }))]))).not.toContain(
      'fragments:engine'
    )
  })
  it('a jump on an interference engine holds until compression is entered', () => {
    const jumped = [
      ...WORN,
      took(read.lag('cam-ex', 26)),
      took(read.count('crank', 'cam-ex', 52)),
      took(read.count('cam-ex', 'cam-in', 21)),
      took(read.count('cam-in', 'crank', 53))
    ]
    const blocked = (acts: Act[]) =>
      holds(acts).filter((hold) =>
        /compression|leak-down/i.test(sayHold(hold, namesOf(drive)) + sayHoldRelease(hold.release, namesOf(drive)))
      ).length
    expect(blocked(finished(jumped))).toBeGreaterThan(0)
    expect(blocked(finished([...jumped, took(read.found('engine', 'compression-sound'))]))).toBe(0)
  })
  it('asks for compression itself where no call does, whatever the calls say in words', () => {
    const jumped = [
      ...WORN,
      took(read.lag('cam-ex', 26)),
      took(read.count('crank', 'cam-ex', 52)),
      took(read.count('cam-ex', 'cam-in', 21)),
      took(read.count('cam-in', 'crank', 53))
    ]
    const before = assessRecord(job, jumped)
    const held = (
      change: (reason: (typeof before)['calls'][number]['reasons'][number]) => object,
      on = job,
      acts = jumped
    ) =>
      rebuildOf(on, acts, {
        ...before,
        calls: before.calls.map((call) => ({
          ...call,
          reasons: call.reasons.map((reason) => ({ ...reason, ...change(reason) }))
        }))
      }).holds.map(({ id }) => id)
    expect(held(() => ({}))).not.toContain('compression:engine')
    expect(held(() => ({ code: 'as-signed', figures: { text: 'Nothing said.' } }))).not.toContain('compression:engine')
    const wordOnly = ({ rule, call }: { rule: string; call: string }) =>
      rule === 'jump' && call === 'stop'
        ? { rule: 'another', code: 'as-signed', figures: { text: 'Compression is a word.' } }
        : {}
    expect(held(wordOnly)).toContain('compression:engine')
    // Every cylinder measured against the sheet's limit is an answer; three of four are none.
    const limited = {
      ...job,
      sheet: changed(drive, (d) => {
        d.limits.push({ kind: 'compression', value: 10, unit: 'bar', source: 'sample sheet' })
      })
    }
    const pressed = (cylinders: number) =>
      Array.from({ length: cylinders }, (_, i) =>
        took({ kind: 'condition', target: 'engine', finding: 'compression-figure', cylinder: i + 1, value: 12 })
      )
    expect(held(wordOnly, limited, [...jumped, ...pressed(3)])).toContain('compression:engine')
    expect(held(wordOnly, limited, [...jumped, ...pressed(4)])).not.toContain('compression:engine')
  })
  it('what went in and did not come out holds', () => {
    const acts = [...finished(WORN), act({ type: 'task', task: 'out:rags', state: 'done', value: 2 })]
    expect(
      sayHold(
        holds(acts).find(({ id }) => id === 'inside:rags')!,
        namesOf(drive)
      )
    ).toBe('Rags and plugs: 3 went in, 2 came out.')
  })
  it('is released by name with a reason, which stays', () => {
    const acts = [...WORN, act({ type: 'release', hold: 'tasks', reason: 'Test stand' })]
    expect(holds(acts).find(({ id }) => id === 'tasks')!.released).toMatchObject({ by: 'Maren', reason: 'Test stand' })
  })
  it("the customer's choice goes before the workshop's advice and the calls", () => {
    const of = (acts: Act[]) => rebuildOf(job, acts, assessRecord(job, acts))
    expect(of(WORN).chosenBy).toBe('calls')
    expect(of([...WORN, act({ type: 'path', renew: ['guide'] })]).renew).toEqual(['guide'])
    expect(
      of([
        ...WORN,
        act({ type: 'path', renew: ['guide'] }),
        act({ type: 'choice', share: 's', renew: ['main', 'guide'], price: 1 })
      ])
    ).toMatchObject({ renew: ['main', 'guide'], chosenBy: 'customer' })
  })
  it('readings on the rebuilt drive say nothing of the one that was found, and close it as new', () => {
    const acts = finished(WORN)
    expect(assessRecord(job, acts)).toEqual(assessRecord(job, WORN))
    const closing = assess(closingJob(jobFile(job, acts), foldActs(acts, 'on-evidence'), FULL))
    expect(closing.chains.main!.elongation.mean).toBeLessThan(0.001)
    expect(Object.values(closing.cams).every(({ jump }) => jump.teeth === 0)).toBe(true)
  })
  it('a chain that ran on metal is released by a new one fitted', () => {
    const metal = [...WORN, took(read.found('main', 'ran-on-metal'))]
    expect(open(metal)).toContain('chain-on-metal:main')
    expect(open([...metal, act({ type: 'task', task: 'part:main:fitted', state: 'done' })])).not.toContain(
      'chain-on-metal:main'
    )
    expect(changed(drive, () => undefined)).toEqual(drive)
  })
})
