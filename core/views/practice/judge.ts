import {
  accessTo,
  assess,
  type Assessment,
  assumptionsOf,
  closeOver,
  coupledTo,
  type Ledger,
  ledgerOf,
  maskOf,
  needsOf,
  scorer
} from '../../paths'
import { camsOf, touchingRails } from '../../drive'
import { BENCH_LINKS } from '../../estimate'
import { type Call, contextOf, type PartCall } from '../../calls'
import { type JobFile, type Reading, type Unread, withIds } from '../../readings'
import { limitFor } from '../../sheet'
import { figureOf } from './sight'
import { standTrue } from './truth'
import type { PracticeCase } from './types'

/** The engine as one would know it who saw everything without error. */
export interface Known {
  job: JobFile
  assessment: Assessment
  calls: PartCall[]
}

/** Uncertainties so small that nothing is left open. */
const EXACT = { mm: 0.02, degrees: 0.05, links: 0.05 }

/** What is right on an engine: the calls that the evidence makes once all of it is known exactly. */
export function knownOf(engine: PracticeCase): Known {
  const { drive, truth, usage } = engine
  const stands = standTrue(drive, { ...truth, shift: {} })
  const exact = (reading: Unread): Reading =>
    ({
      ...reading,
      value: figureOf(engine, reading, 0, { turnedForward: true }),
      sigma: EXACT.mm,
      turnedForward: true
    }) as Reading
  const readings: Reading[] = [
    ...drive.tensioners.flatMap(({ id, stroke }): Reading[] => [
      {
        kind: 'extension',
        tensioner: id,
        value: Math.min(stands.extension[id]!, stroke),
        sigma: EXACT.mm,
        turnedForward: true
      },
      ...(limitFor(drive, 'padWear', id) ? [exact({ kind: 'padWear', tensioner: id })] : [])
    ]),
    ...drive.chains.flatMap((chain) => [
      ...camsOf(drive, chain).map((sprocket): Reading => ({
        kind: 'camLag',
        sprocket,
        value: stands.lag[sprocket]!,
        sigma: EXACT.degrees,
        turnedForward: true
      })),
      ...chain.counts.map(({ from, to, links }): Reading => ({
        kind: 'linkCount',
        chain: chain.id,
        from,
        to,
        value: links + (truth.teeth?.[from] ?? 0) - (truth.teeth?.[to] ?? 0),
        sigma: EXACT.links
      })),
      ...touchingRails(drive, chain).map((rail) => exact({ kind: 'groove', rail })),
      exact({ kind: 'chainLength', chain: chain.id, links: Math.min(BENCH_LINKS, chain.links) })
    ]),
    ...drive.phasers.map(
      ({ id }): Reading => ({ ...exact({ kind: 'phaserPlay', phaser: id }), sigma: EXACT.degrees }) as Reading
    ),
    ...truth.findings
      .filter(({ target, finding }) => !MERELY_SAID.test(`${target} ${finding}`))
      .map((one): Reading => ({ kind: 'condition', ...one })),
    ...drive.rails
      .filter(({ id, touches }) => touches === false && !truth.findings.some(({ target }) => target === id))
      .map(({ id }): Reading => ({ kind: 'condition', target: id, finding: 'sound' }))
  ]
  const job: JobFile = {
    format: 'umbrette-job',
    version: 1,
    drive,
    usage,
    school: 'on-evidence',
    readings: withIds(readings)
  }
  const assessment = assess(job)
  return { job, assessment, calls: assessment.calls.map(onItsOwn) }
}

/** What a customer says is no evidence, and a mark that moved only asks the question that is answered here. */
const MERELY_SAID = /^engine (noise|code|renewed|oil-low)|witness-mark|snaps-back/

/**
 * Where everything is known, a call that asks for another look only because a part was coupled to a question is none.
 */
function onItsOwn(call: PartCall): PartCall {
  const reasons = call.reasons.filter(({ rule }) => rule !== 'why-it-jumped')
  // The severest reason stands first.
  return { ...call, call: reasons[0]?.call ?? 'back-in', reasons: reasons.length > 0 ? reasons : call.reasons }
}

/**
 * Calls that are as right as the right one: a part that stops the engine may be renewed to release it, and a jumped cam
 * stops it only until compression was found sound.
 */
export function acceptable({ call, reasons }: PartCall): Call[] {
  if (call !== 'stop') return [call]
  return [
    call,
    ...(reasons.some((reason) => reason.call === 'renew') ? ['renew' as const] : []),
    ...(reasons.some(({ rule }) => rule === 'jump') ? ['look-closer' as const] : [])
  ]
}

/** What a way through a case costs. */
export interface Bill {
  hours: number
  /** Access and parts, always-renewed items in it. */
  now: number
  /** What the condemned parts that stay will cost. */
  later: number
  total: number
}

/**
 * Prices the ways through one case; make it once.
 * @returns for operations done, minutes of looking, parts renewed, and whether every hold was seen: an engine that is
 * started on one breaks what a failure breaks
 */
export function billFor({
  job,
  assessment,
  calls
}: Known): (done: Iterable<string>, lookingMinutes: number, renew: Iterable<string>, held: boolean) => Bill {
  const ledger = ledgerOf(job, assessment, assumptionsOf(job), coupledTo(contextOf(job, assessment)))
  const score = scorer(ledger)
  const operations = job.drive.operations ?? []
  const condemned = calls.filter((call) => acceptable(call).includes('renew')).map(({ part }) => part)
  return (done, lookingMinutes, renew, held) => {
    const mask = closeOver(ledger, maskOf(ledger, renew))
    const items = ledger.parts.filter((_, i) => mask & (1 << i))
    const reached = accessTo(operations, [...done, ...items.flatMap((part) => needsOf(part, null))])
    const hours =
      reached.reduce((sum, operation) => sum + operation.hours, 0) +
      items.reduce((sum, part) => sum + part.hours, 0) +
      lookingMinutes / 60
    const { partsPrice, itemsPrice } = score(mask)
    const now = hours * ledger.assumptions.hourRate + partsPrice + itemsPrice
    const later =
      condemned.reduce((sum, part) => sum + failureOf(ledger, score, mask, part), 0) +
      (held ? 0 : ledger.assumptions.damage)
    return { hours, now, later, total: now + later }
  }
}

/** A condemned part that stays is paid again, with what it breaks. */
function failureOf(ledger: Ledger, score: ReturnType<typeof scorer>, mask: number, part: string): number {
  const i = ledger.parts.findIndex(({ fits }) => fits === part)
  return i < 0 || mask & (1 << i) ? 0 : score(ledger.brings[i]!).now + ledger.damage[i]!
}
