import type { Message } from '../../check'
import { camsOf, drivenSprockets, touchingRails } from '../../drive'
import { randomness, type Roll, seedOf } from '../../math'
import type { UsageUnit } from '../../readings'
import { type DriveSheet, limitFor } from '../../sheet'
import { caseCode, SEEDS } from './code'
import { type Draft, type FaultId, FAULTS, type FaultSpec } from './faults'
import { standTrue } from './truth'
import type { DrawnTruth, Edition, HiddenTruth, Level, PracticeCase } from './types'

/** A case as it is drawn: its title and what the customer says are put in words when it is told. */
export interface DrawnCase extends PracticeCase {
  says: readonly Message[]
}

/** How many faults and traps a level draws. */
const DRAWN: Readonly<Record<Level, { faults: readonly number[]; traps: readonly number[]; scatter: number }>> = {
  1: { faults: [1], traps: [0], scatter: 0.4 },
  2: { faults: [1], traps: [0, 1], scatter: 0.6 },
  3: { faults: [1, 2], traps: [1], scatter: 0.8 },
  4: { faults: [2], traps: [1, 2], scatter: 1 },
  5: { faults: [2, 3], traps: [2], scatter: 1 }
}

/** mm and crank degrees by which engines of one type differ as new. */
const AS_NEW_SCATTER = { extension: 0.5, lag: 0.5 }

/**
 * The engine behind a seed: the same sheet, level, seed and edition give the same case on every machine, as everything
 * drawn is rounded far above the last digits in which machines may differ.
 * @param sheet with coordinates
 * @param seed from 0 to below SEEDS
 */
export function makeCase(sheet: DriveSheet, level: Level, seed: number, edition: Edition = 1): DrawnCase {
  const roll = randomness(seedOf('case', sheet.id, level, seed))
  const draft: Draft = {
    sheet,
    chain: roll.pick(timingChains(sheet)),
    truth: lightlyWorn(sheet, level, roll),
    says: [],
    start: 0,
    roll
  }
  const { faults, traps } = DRAWN[level]
  const struck = [
    ...draw({ sheet, level, roll, edition }, roll.pick(faults), false),
    ...draw({ sheet, level, roll, edition }, roll.pick(traps), true)
  ]
  for (const id of struck) (FAULTS[id] as FaultSpec).strike(draft)
  draft.truth.faults = struck
  slackLeft(sheet, draft.truth)
  if (draft.start === 0 && level > 1) draft.start = 400 + 10 * roll.below(28)
  const code = caseCode({ sheet: sheet.id, level, seed, edition })
  return {
    format: 'umbrette-practice',
    version: 1,
    code,
    seed,
    level,
    title: '',
    drive: sheet,
    usage: usageFor(sheet, roll),
    complaint: '',
    says: draft.says,
    start: draft.start,
    truth: draft.truth
  }
}

/** Chains that turn cams: a pump's or a balance shaft's is worn lightly, and nothing else. */
function timingChains(sheet: DriveSheet): DriveSheet['chains'] {
  const turned = (id: string) => sheet.sprockets.find((one) => one.id === id)?.turns
  const timing = sheet.chains.filter((chain) => drivenSprockets(sheet, chain).some((id) => turned(id) === undefined))
  return timing.length > 0 ? timing : sheet.chains
}

/** A seed of a level whose case holds a fault, looked for from a place on; null when the engine never has it. */
export function seedWith(
  sheet: DriveSheet,
  level: Level,
  fault: string,
  from: number,
  edition: Edition = 1
): number | null {
  for (let k = 0; k < TRIES; k++) {
    const seed = (from + k) % SEEDS
    if (makeCase(sheet, level, seed, edition).truth.faults.includes(fault)) return seed
  }
  return null
}

/** Cases looked through for one with a given fault: more than enough for the rarest. */
const TRIES = 300

interface Drawing {
  sheet: DriveSheet
  level: Level
  roll: Roll
  edition: Edition
}

/** Faults (or traps) that fit the engine and level, no two of one group. */
function draw({ sheet, level, roll, edition }: Drawing, many: number, traps: boolean): FaultId[] {
  const drawn: FaultId[] = []
  const free = () =>
    (Object.keys(FAULTS) as FaultId[]).filter((id) => {
      const spec: FaultSpec = FAULTS[id]
      return (
        Boolean(spec.trap) === traps &&
        (spec.since ?? 1) <= edition &&
        spec.from <= level &&
        spec.fits(sheet) &&
        !drawn.some((other) => clash(spec, FAULTS[other]))
      )
    })
  for (let k = 0; k < many && free().length > 0; k++) drawn.push(roll.pick(free()))
  return drawn
}

/** A worn chain and one like new cannot be one; nor can two faults of one part. */
function clash(a: FaultSpec, b: FaultSpec): boolean {
  const both = new Set([a, b])
  return a.group === b.group || (both.has(FAULTS['like-new']) && both.has(FAULTS.stretched))
}

/** A chain longer than its tensioner reaches hangs slack, however it is turned. */
function slackLeft(sheet: DriveSheet, truth: HiddenTruth): void {
  for (const [chain, slack] of Object.entries(standTrue(sheet, truth).slack))
    if (slack > SLACK_FELT) truth.findings.push({ target: chain, finding: 'slack-stays' })
}

/** mm of slack that a thumb feels. */
const SLACK_FELT = 1

/** An engine that has run but is within every limit, with its own as-new scatter. */
function lightlyWorn(sheet: DriveSheet, level: Level, roll: Roll): DrawnTruth {
  const { scatter } = DRAWN[level]
  const some = (most: number, places: number) => Number((most * roll.between(0.05, 0.4)).toFixed(places))
  const off = (sd: number) => Number(Math.max(-2 * sd, Math.min(2 * sd, roll.normal(sd))).toFixed(2))
  const by = <T extends string>(ids: readonly T[], value: (id: T) => number) =>
    Object.fromEntries(ids.map((id) => [id, value(id)]))
  const cams = sheet.chains.flatMap((chain) => camsOf(sheet, chain))
  const tensioners = sheet.tensioners.map(({ id }) => id)
  return {
    elongation: by(
      sheet.chains.map(({ id }) => id),
      (id) => some((limitFor(sheet, 'elongation', id)?.value ?? 0.5) / 100, 5)
    ),
    wear: by(
      sheet.chains.flatMap((chain) => touchingRails(sheet, chain)),
      (id) => some(limitFor(sheet, 'groove', id)?.value ?? 1.2, 2)
    ),
    pad: by(tensioners, (id) => some(limitFor(sheet, 'padWear', id)?.value ?? 0.6, 2)),
    teeth: {},
    shift: {},
    play: by(
      sheet.phasers.map(({ id }) => id),
      () => Number(roll.between(0.2, 0.6).toFixed(1))
    ),
    faults: [],
    findings: [],
    kickBack: 0,
    betweenLinks: [],
    scatter: {
      extension: by(tensioners, () => off(scatter * AS_NEW_SCATTER.extension)),
      lag: by(cams, () => off(scatter * AS_NEW_SCATTER.lag))
    }
  }
}

/** Usage in what such engines are used by: hours in boats, km in vans. */
function usageFor(sheet: DriveSheet, roll: Roll): { value: number; unit: UsageUnit } {
  const hours = sheet.engine.layout === 'vee'
  return hours
    ? { value: 10 * Math.round(roll.between(80, 340)), unit: 'h' }
    : { value: 100 * Math.round(roll.between(400, 2200)), unit: 'km' }
}
