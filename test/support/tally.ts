import { assess, type Assessment } from '../../core/paths'
import { compileSheet } from '../../core/sheet'
import type { JudgedCase } from './judged'

/** How often the judgement of engines of known truth was right. */

const NINETY = 1.645

export interface Tally {
  cases: number
  elongation: Share
  wear: Share
  lag: Share
  /** Claims over 99 % that were right. */
  sure: Share
  /** Sound cams that were stopped. */
  stopped: Share
  /** Wrong readings found, and right ones blamed. */
  found: Share
  blamed: Share
  /** Rails read past their limit that go back in. */
  passed: Share
  spreads: number[]
}

/** How many of how many. */
export class Share {
  hits = 0
  all = 0
  add(hit: boolean): void {
    this.all++
    if (hit) this.hits++
  }
  get percent(): number {
    return this.all === 0 ? NaN : (100 * this.hits) / this.all
  }
}

export function tally(cases: readonly JudgedCase[]): Tally {
  const t: Tally = {
    cases: cases.length,
    elongation: new Share(),
    wear: new Share(),
    lag: new Share(),
    sure: new Share(),
    stopped: new Share(),
    found: new Share(),
    blamed: new Share(),
    passed: new Share(),
    spreads: []
  }
  for (const one of cases) judge(t, one, assess(one.job))
  return t
}

function judge(t: Tally, one: JudgedCase, a: Assessment): void {
  const { truth, wrong } = one
  judgeChains(t, one, a)
  judgeRails(t, one, a)
  const calls = callsOf(a)
  for (const [id, cam] of Object.entries(a.cams)) {
    t.lag.add(Math.abs(truth.lag[id]! - cam.lag.mean) <= NINETY * cam.lag.sd)
    if (cam.jump.odds > 0.99 && cam.jump.told) t.sure.add(cam.jump.teeth === truth.teeth[id])
    if (truth.teeth[id] === 0) t.stopped.add(calls.get(id) === 'stop')
  }
  for (const { id, atOdds } of a.readings) (wrong.has(id) ? t.found : t.blamed).add(atOdds)
}

const callsOf = (a: Assessment) => new Map(a.calls.map(({ part, call }) => [part, call]))

function judgeChains(t: Tally, { job, truth }: JudgedCase, a: Assessment): void {
  for (const [id, { elongation: e }] of Object.entries(a.chains)) {
    const limit = compileSheet(job.drive).limit('elongation', id)?.value ?? NaN
    t.elongation.add(truth.elongation[id]! >= e.low && truth.elongation[id]! <= e.high)
    t.spreads.push(e.sd)
    claim(t, e.overLimit, truth.elongation[id]! > limit / 100)
  }
}

function judgeRails(t: Tally, { job, truth }: JudgedCase, a: Assessment): void {
  const calls = callsOf(a)
  for (const [id, { wear }] of Object.entries(a.rails)) {
    const limit = compileSheet(job.drive).limit('groove', id)?.value ?? NaN
    const read = job.readings.filter((r) => r.kind === 'groove' && r.rail === id)
    if (read.length === 0) continue
    t.wear.add(truth.wear[id]! >= wear.low && truth.wear[id]! <= wear.high)
    claim(t, wear.overLimit, truth.wear[id]! > limit)
    if (read.some(({ value }) => (value ?? 0) > limit)) t.passed.add(calls.get(id) === 'back-in')
  }
}

function claim(t: Tally, odds: number | null, past: boolean): void {
  if (odds !== null && (odds > 0.99 || odds < 0.01)) t.sure.add(odds > 0.5 === past)
}
