import type { Message } from '../../check'
import type { Call, PartCall } from '../../calls'
import { namedBy, type Reading } from '../../readings'
import { acceptable, type Bill, billFor, type Known, knownOf } from './judge'
import { softwareRun, type SoftwareRun } from './software'
import type { Stand, StandReading } from './stand'
import type { PracticeCase } from './types'

/** One call of a learner beside the right one. */
export interface JudgedCall {
  part: string
  yours: Call | null
  right: Call
  hit: boolean
  /** Was anything read or found on it that bears on the call? */
  grounded: boolean
  /** Why the right one is right. */
  why: Message
}

/** What a learner's calls, money and minutes come to. */
export interface Score {
  /** 0 to 100. */
  score: number
  /** Shares of 1 that it is made of. */
  parts: { calls: number; money: number; minutes: number }
  calls: JudgedCall[]
  minutes: { yours: number; best: number }
  bill: { yours: Bill; best: Bill }
}

/** How a score is put together: calls count by themselves, money and minutes only as far as the calls are right. */
const SHARE = { calls: 0.7, money: 0.2, minutes: 0.1 }
/** A right call that rests on nothing was luck. */
const LUCK = 0.15
/** A condemned part missed costs more than a sound one doubted. */
const OPEN_CREDIT = 0.3

/**
 * What a case comes to whoever judges it: the truth, and how the core would go about it. Made once for many learners.
 */
export interface Solved {
  known: Known
  software: SoftwareRun
}

export function solveCase(engine: PracticeCase): Solved {
  return { known: knownOf(engine), software: softwareRun(engine) }
}

/** How a learner's moves score, and from what. */
export function scoreStand(stand: Stand, { known, software }: Solved): Score {
  const priced = billFor(known)
  const right = known.calls.filter((call) => acceptable(call).includes('renew')).map(({ part }) => part)
  const calls = judgeCalls(known, stand)
  const yours = priced(
    stand.done,
    stand.looking,
    stand.renew,
    calls.every((call) => call.right !== 'stop' || call.hit)
  )
  const best = priced(software.stand.done, software.stand.looking, right, true)
  const minutes = { yours: stand.access + stand.looking, best: software.stand.access + software.stand.looking }
  const parts = {
    calls: callShare(calls),
    money: Math.min(1, best.total / Math.max(yours.total, 1)),
    minutes: Math.min(1, minutes.best / Math.max(minutes.yours, 1))
  }
  return {
    score: Math.round(100 * parts.calls * (SHARE.calls + SHARE.money * parts.money + SHARE.minutes * parts.minutes)),
    parts,
    calls,
    minutes,
    bill: { yours, best }
  }
}

/** The learner's calls beside the right ones. */
function judgeCalls({ calls }: Known, stand: Stand): JudgedCall[] {
  return calls.map((call) => {
    const yours = stand.calls.get(call.part) ?? null
    return {
      part: call.part,
      yours,
      right: call.call,
      hit: yours !== null && acceptable(call).includes(yours),
      grounded: bearsOn(stand, call).length > 0,
      why: whyOf(call)
    }
  })
}

function whyOf({ reasons: [first] }: PartCall): Message {
  return { code: first?.code ?? '', figures: first?.figures ?? {} }
}

/** Entries that a call can rest on: on the part itself, or on the chain whose renewal brings it. */
function bearsOn({ readings }: Pick<Stand, 'readings'>, { part, reasons }: PartCall): StandReading[] {
  const follows = reasons.some(({ rule }) => rule === 'new-chain' || rule === 'sprockets-follow')
  return readings.filter(({ reading }) => {
    const on = namedBy(reading)
    return on.includes(part) || (follows && STRETCHED.includes(reading.kind))
  })
}

const STRETCHED: readonly Reading['kind'][] = ['chainLength', 'chainCompare', 'extension', 'camLag']

/**
 * Share of the calls that are right: the geometric mean of that of condemned and that of sound parts, so that who
 * renews all, or nothing, has none.
 */
function callShare(calls: readonly JudgedCall[]): number {
  const credit = ({ hit, grounded, yours }: JudgedCall) =>
    (hit ? 1 : yours === 'look-closer' ? OPEN_CREDIT : 0) * (grounded ? 1 : LUCK)
  const share = (some: readonly JudgedCall[]) => some.reduce((sum, call) => sum + credit(call), 0) / some.length
  const kinds = [
    calls.filter(({ right }) => right !== 'back-in'),
    calls.filter(({ right }) => right === 'back-in')
  ].filter((some) => some.length > 0)
  return kinds.length === 0 ? 0 : kinds.reduce((product, some) => product * share(some), 1) ** (1 / kinds.length)
}
