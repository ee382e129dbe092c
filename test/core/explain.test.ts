import { describe, expect, it } from 'vitest'
import { type Cause, explain, type Explanation, type Explanations } from '../../core/estimate'
import { assess } from '../../core/paths'
import type { JobFile, Reading } from '../../core/readings'
import { reportFacts } from '../../core/views/report'
import { DEMO_WORKSHOP } from '../../demo/workshop'
import { standAs } from '../../core/views/verdict'
import { namesOf, sayCauses, sayLikeliest, writeReport } from '../../words/en'
import { drawCase } from '../support/judged'
import { jobOf, read } from '../support/jobs'
import { SHEETS, sheet } from '../support/sheets'

/** Explanations of the same readings side by side. */

const marks = (sprocket: string, value: number): Reading => ({ ...read.lag(sprocket, value), method: 'marks' })
const only = (job: JobFile, picked: Cause[] = []): Explanations => explain(job, picked)[0]!
const has = (story: Explanation, as: Cause['as'], of?: string) =>
  story.causes.some((cause) => cause.as === as && (of === undefined || cause.of === of))
const total = ({ odds, more }: Explanation) => odds + more

/** A mark that stands a tooth late, against three counts that close and another cam that is in place. */
const MISREAD = jobOf([
  marks('cam-ex', 20.4),
  read.lag('cam-in', 0.8),
  read.count('crank', 'cam-ex', 53),
  read.count('cam-ex', 'cam-in', 20),
  read.count('cam-in', 'crank', 53)
])
const STRETCHED = jobOf([
  read.extension(20.4),
  read.lag('cam-ex', 7),
  read.lag('cam-in', 5),
  read.length(161),
  read.length(161)
])

describe('explanations side by side', () => {
  it('have a misread mark before a jump where the counts close, and show what would have to be read otherwise', () => {
    const { stories, readings } = only(MISREAD)
    const [first] = stories
    const mark = readings.indexOf(MISREAD.readings[0]!.id)
    const count = readings.indexOf(MISREAD.readings[2]!.id)
    expect(first!.causes).toMatchObject([{ as: 'misread', of: MISREAD.readings[0]!.id, way: 'next-mark' }])
    expect(total(first!)).toBeGreaterThan(0.98)
    expect(first!.shows[mark]!.value).toBeLessThan(3)
    const jumped = stories.find((story) => has(story, 'jumped', 'cam-ex'))!
    expect(jumped.odds).toBeLessThan(0.01)
    expect(Math.abs(jumped.shows[mark]!.misses)).toBeLessThan(2)
    expect(jumped.shows[count]!.value).toBeCloseTo(52)
    expect(jumped.shows[count]!.misses).toBeGreaterThan(3)
  })

  it('leave a lone late mark between a jump and a wrong mark, and say what parts them', () => {
    const { stories, asks } = only(jobOf([marks('cam-ex', 19)]))
    const [jumped, wrong] = [
      stories.findIndex((story) => has(story, 'jumped', 'cam-ex')),
      stories.findIndex((story) => has(story, 'misread'))
    ]
    for (const i of [jumped, wrong]) expect(total(stories[i]!)).toBeGreaterThan(0.1)
    for (const { odds } of stories) expect(odds).toBeLessThan(0.9)
    const count = asks.findIndex(({ kind, from, to }) => kind === 'linkCount' && from === 'crank' && to === 'cam-ex')
    expect(asks[count]!.parts).toBeGreaterThan(0.5)
    expect(stories[jumped]!.would[count]!.value).toBeCloseTo(52)
    expect(stories[wrong]!.would[count]!.value).toBeCloseTo(53)
  })

  it('have a chain measured long on the bench as stretched, and hold it at what is usual in the others', () => {
    const { stories, readings, rest } = only(STRETCHED)
    const [first, ...others] = stories
    expect(first!.causes).toEqual([{ as: 'stretched', of: 'main' }])
    expect(total(first!)).toBeGreaterThan(0.95)
    expect(others.length).toBeGreaterThanOrEqual(2)
    const bench = readings.indexOf(STRETCHED.readings[3]!.id)
    for (const other of others.filter(
      ({ causes }) => causes.length > 0 && !has({ causes } as Explanation, 'misread')
    )) {
      expect(other.state.chains.main).toBeLessThan(0.003)
      expect(other.shows[bench]!.misses).toBeGreaterThan(3)
    }
    expect(stories.reduce((sum, story) => sum + total(story), rest)).toBeCloseTo(1, 6)
  })

  it('do not count the same with more beside it as another', () => {
    const { stories } = only(STRETCHED)
    expect(stories.filter((story) => has(story, 'stretched'))).toHaveLength(1)
    expect(stories[0]!.more).toBeGreaterThan(0)
  })

  it('show any story that is picked, however unlikely, as the only one', () => {
    const { stories, causes } = only(STRETCHED, [{ as: 'rail-worn', of: 'guide' }])
    const guide = stories.find((story) => has(story, 'rail-worn', 'guide'))!
    expect(guide.causes).toHaveLength(1)
    expect(guide.odds).toBeLessThan(0.01)
    expect(guide.state.rails.guide).toBeGreaterThan(0.6)
    expect(guide.state.chains.main).toBeLessThan(0.003)
    // Whatever is offered can be picked, and stands in a column of its own or among the likeliest.
    for (const cause of causes) {
      const found = only(STRETCHED, [cause]).stories.filter(
        ({ causes: [one], causes: { length } }) => length === 1 && one!.as === cause.as && one!.of === cause.of
      )
      expect(found.length, JSON.stringify(cause)).toBeGreaterThan(0)
    }
  })

  it('have a cam that is late by itself as moved on its shaft or misread, not as a stretched chain', () => {
    const { stories, asks } = only(jobOf([read.extension(4), read.lag('cam-ex', 8), read.lag('cam-in', 1)]))
    expect(has(stories[0]!, 'cam-moved', 'cam-ex')).toBe(true)
    expect(has(stories[1]!, 'misread')).toBe(true)
    expect(asks[0]).toMatchObject({ kind: 'camLag', target: 'cam-ex' })
  })

  it('agree with the estimate on the odds of a jump', () => {
    const job = jobOf([marks('cam-ex', 19), read.lag('cam-in', 1)])
    const { stories, rest } = only(job)
    const jumped = stories
      .filter((story) => has(story, 'jumped', 'cam-ex'))
      .reduce((sum, story) => sum + total(story), 0)
    const { odds } = assess(job).cams['cam-ex']!.jump
    expect(jumped).toBeGreaterThan(odds - 1e-6 - rest)
    expect(jumped).toBeLessThan(odds + 0.05)
  })

  it('say nothing of a train that nothing was read of', () => {
    expect(explain(jobOf([]))).toEqual([])
    const drive = sheet('vellora-v28')
    const job = jobOf([read.lag('ex-1', 3)], { drive })
    expect(explain(job).map(({ chains }) => chains)).toEqual([['bank-1']])
  })

  it('are finite and sum to one on drives of every kind', () => {
    for (const [i, name] of [...SHEETS, ...SHEETS].entries()) {
      const { job } = drawCase(sheet(name), 31 + i)
      for (const { stories, rest, readings, asks } of explain(job)) {
        const figures = stories.flatMap((story) => [
          story.odds,
          ...story.shows.flatMap(({ value, misses }) => [value, misses]),
          ...story.would.flatMap(({ value, sd }) => [value, sd]),
          ...Object.values(story.state.chains),
          ...Object.values(story.state.rails)
        ])
        expect(figures.filter((figure) => !Number.isFinite(figure))).toEqual([])
        expect(
          stories.every(({ shows, would }) => shows.length === readings.length && would.length === asks.length)
        ).toBe(true)
        expect(stories.reduce((sum, story) => sum + total(story), rest)).toBeCloseTo(1, 3)
        expect(stories.map(({ odds }) => odds)).toEqual(stories.map(({ odds }) => odds).sort((a, b) => b - a))
      }
    }
  })
})

describe('an explanation in words and drawn', () => {
  const name = namesOf(sheet('ardmere-a18'))

  it('says each cause with its part', () => {
    const { stories } = only(MISREAD)
    expect(sayCauses(stories[0]!.causes, name)).toMatch(/^Cam lag of exhaust cam sprocket was read wrongly$/)
    expect(sayCauses([], name)).toBe('Nothing beyond the usual wear')
    expect(
      sayCauses(
        [
          { as: 'stretched', of: 'main' },
          { as: 'rail-worn', of: 'guide' }
        ],
        name
      )
    ).toMatch(/has stretched far, and fixed guide is worn far$/)
    expect(sayLikeliest(stories, name)).toMatch(/^Of what could explain the readings, this is likeliest: .*over 99 %/)
  })

  it('stands on the map as it would have to, with nothing called of it', () => {
    const assessment = assess(STRETCHED)
    const { stories } = only(STRETCHED, [{ as: 'jumped', of: 'cam-ex', teeth: 1 }])
    const jumped = stories.find((story) => has(story, 'jumped'))!
    const drawn = standAs(assessment, jumped)
    expect(drawn.cams['cam-ex']!.lag.mean).toBeGreaterThan(18)
    expect(drawn.cams['cam-ex']!.jump.teeth).toBe(1)
    expect(drawn.calls).toEqual([])
    expect(assessment.cams['cam-ex']!.jump.teeth).toBe(0)
  })

  it('stands in the report as one sentence', () => {
    const kept = {
      ...STRETCHED,
      sheet: STRETCHED.drive,
      vehicle: 'Van',
      complaint: '',
      stand: '',
      openedBy: 'Maren',
      openedAt: '2026-05-04T08:00:00.000Z',
      sheetRevision: null
    }
    const acts = STRETCHED.readings.map(({ id, ...reading }) => ({
      id,
      type: 'read' as const,
      by: 'Maren',
      at: '2026-05-04T08:00:00.000Z',
      reading
    }))
    const report = writeReport(reportFacts(kept as never, acts as never, assess(STRETCHED), DEMO_WORKSHOP))
    expect(report.happened.filter((line) => line.startsWith('Of what could explain'))).toHaveLength(1)
  })
})
