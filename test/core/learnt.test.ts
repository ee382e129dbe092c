import { describe, expect, it } from 'vitest'
import { estimate, learnPriors, poolLearnt, PRIORS } from '../../core/estimate'
import { countingErrors } from '../../core/views/learn'
import { readJob, exportJob } from '../../core/record'
import type { JobFile } from '../../core/readings'
import { type Circumstances, drawCase } from '../support/judged'
import { jobOf, read } from '../support/jobs'
import { sheet } from '../support/sheets'

const drive = sheet('ardmere-a18')
const fleet = (jobs: number, circumstances: Circumstances = {}, by?: string): JobFile[] =>
  Array.from({ length: jobs }, (_, i) => {
    const { job } = drawCase(drive, 9100 + 13 * i, circumstances)
    return by ? { ...job, readings: job.readings.map((reading) => ({ ...reading, by })) } : job
  })

describe('what a workshop learns of a type of engine', () => {
  it('is nothing without jobs: the defaults stand', () => {
    expect(learnPriors([])).toEqual({ engines: 0, people: [] })
    expect(learnPriors([jobOf([])])).toEqual({ engines: 0, people: [] })
  })

  it('is less wear in a healthy fleet and more in a worn one, nearer to it the more engines there are', () => {
    const healthy = learnPriors(fleet(40, { rails: 0.4, stretch: 0.5 }))
    expect(healthy.engines).toBe(40)
    expect(healthy.wear).toBeLessThan(0.8 * PRIORS.wear)
    expect(healthy.elongation).toBeLessThan(0.9 * PRIORS.elongation)
    expect(learnPriors(fleet(40, { rails: 2 })).wear).toBeGreaterThan(1.2 * PRIORS.wear)
    const few = learnPriors(fleet(4, { rails: 0.4, stretch: 0.5 }))
    expect(Math.abs(few.wear! - PRIORS.wear)).toBeLessThan(Math.abs(healthy.wear! - PRIORS.wear))
  })

  it('does not come from jobs that read nothing of it', () => {
    const learnt = learnPriors([jobOf([read.length(160.5)]), jobOf([read.length(160.3)])])
    expect(learnt.elongation).toBeDefined()
    expect(learnt.wear).toBeUndefined()
  })

  it('is how finely each person reads, by kind and method', () => {
    const careful = fleet(40, {}, 'Maren')
    const rough = fleet(40, {}, 'Olav').map((job) => ({
      ...job,
      readings: job.readings.map((reading, i) =>
        reading.kind === 'camLag' ? { ...reading, value: reading.value + (i % 2 ? 4 : -4) } : reading
      )
    }))
    const { people = [] } = learnPriors([...careful, ...rough])
    const times = (by: string) => people.find((one) => one.by === by && one.what === 'camLag wheel')!.times
    expect(times('Olav')).toBeGreaterThan(1.3 * times('Maren'))
    expect(times('Maren')).toBeLessThan(1.3)
  })

  it("count where there are enough of them, and they are not the method's own", () => {
    const person = (by: string, times: number, readings: number) => ({ by, what: 'camLag marks', times, readings })
    const counting = countingErrors([person('Olav', 1.6, 40), person('Maren', 1.05, 90), person('Ada', 1.9, 6)])
    expect(counting.map(({ by }) => by)).toEqual(['Olav'])
    expect(countingErrors()).toEqual([])
  })

  it('widens the readings of who reads roughly, and of nobody else', () => {
    const by = (name: string) => estimate({ ...jobOf([{ ...read.lag('cam-in', 3), by: name }]), priors })
    const priors = { engines: 20, people: [{ by: 'Olav', what: 'camLag marks', times: 2, readings: 30 }] }
    expect(by('Olav').readings[0]!.sigma).toBeCloseTo(2 * by('Maren').readings[0]!.sigma!, 6)
  })

  it('stays with the job that was judged under it, through its file', () => {
    const priors = { engines: 23, wear: 0.2 }
    const learnt = { ...jobOf([read.extension(9)]), priors }
    expect(estimate(learnt).rails.guide!.wear.mean).toBeLessThan(
      0.6 * estimate(jobOf([read.extension(9)])).rails.guide!.wear.mean
    )
    expect(readJob(JSON.parse(JSON.stringify(learnt))).job?.priors).toEqual(priors)
    const kept = {
      vehicle: 'Van',
      stand: '',
      complaint: '',
      openedBy: 'Maren',
      openedAt: '2026-11-26T08:00:00.000Z',
      sheet: drive,
      usage: learnt.usage,
      school: learnt.school,
      corrections: null,
      known: { priors }
    }
    expect(exportJob(kept, []).priors).toEqual(priors)
    expect(readJob({ ...learnt, priors: { engines: 3, wear: -1 } }).job).toBeNull()
  })
})

describe('what other workshops have learnt', () => {
  it('counts by its engines, the default once, wherever the jobs were done', () => {
    const jobs = fleet(24, { rails: 0.4 })
    const whole = learnPriors(jobs)
    const [half, other] = [learnPriors(jobs.slice(0, 12)), learnPriors(jobs.slice(12))]
    const pooled = poolLearnt(half, [other])!
    expect(pooled.engines).toBe(whole.engines)
    expect(pooled.others).toBe(other.engines)
    for (const figure of ['wear', 'elongation'] as const) {
      expect(Math.abs(pooled[figure]! / whole[figure]! - 1)).toBeLessThan(0.15)
      // Nearer to what all of them teach together than to the default.
      expect(Math.abs(pooled[figure]! - whole[figure]!)).toBeLessThan(Math.abs(PRIORS[figure] - whole[figure]!) + 1e-9)
    }
  })

  it('leaves the own ones as they are where there are none, and stands alone where there are no own ones', () => {
    const own = { engines: 5, wear: 0.4 }
    expect(poolLearnt(own, [])).toEqual(own)
    expect(poolLearnt(null, [])).toBeNull()
    expect(poolLearnt(null, [own])).toMatchObject({ engines: 5, others: 5 })
    expect(poolLearnt(null, [own])!.wear).toBeCloseTo(0.4, 6)
    expect(poolLearnt({ engines: 0 }, [{ engines: 0 }])).toEqual({ engines: 0 })
  })
})
