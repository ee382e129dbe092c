import type { LookedAtFigures } from './says'
import { lookedAt } from './weighedReadings'
import { assess, type Assessment } from '../../paths'
import type { PartCall } from '../../calls'
import { partOf, type Reading } from '../../readings'
import { accessMinutes, type Inspection, inspectionsOf } from './inspections'
import { sightOf } from './sight'
import { jobOfStand, type Move, type Stand, standOf } from './stand'
import type { PracticeCase } from './types'

/** How the core itself would go about a case. */
export interface SoftwareRun {
  moves: Move[]
  stand: Stand
  calls: readonly PartCall[]
  /** Inspections in the order they were made. */
  taken: { inspection: string; what: LookedAtFigures; minutes: number }[]
}

const MOST = 40

/**
 * Goes at a case as the core advises: ask first, turn forward to the mark, then always the reading that would settle
 * most for its minutes (access in them); what comes in reach is looked at while it is. Ends when nothing is worth it.
 */
export function softwareRun(engine: PracticeCase): SoftwareRun {
  const inspections = inspectionsOf(engine.drive)
  const moves: Move[] = [{ type: 'turn', degrees: toTheMark(engine.start) }]
  const taken: SoftwareRun['taken'] = []
  let stand = standOf(engine, moves)
  const take = (inspection: Inspection) => {
    taken.push({
      inspection: inspection.id,
      what: lookedAt(inspection),
      minutes: inspection.minutes + accessMinutes(engine.drive, inspection.operations, stand.done)
    })
    moves.push({ type: 'inspect', inspection: inspection.id }, ...entries(engine, inspection, stand))
    stand = standOf(engine, moves)
  }
  const ask = inspections.find(({ kind }) => kind === 'ask')
  if (ask) take(ask)
  for (let k = 0; k < MOST; k++) {
    const assessment = assess(jobOfStand(engine, stand.readings))
    const next =
      nextInspection(engine, inspections, stand, assessment) ??
      inReach(inspections, stand) ??
      openQuestion(engine, inspections, stand, assessment)
    if (!next) break
    take(next)
  }
  return { moves, stand, taken, calls: assess(jobOfStand(engine, stand.readings)).calls }
}

/** crank degrees forward to the setting point, taking up what had kicked back. */
export function toTheMark(crank: number): number {
  const rest = 720 - (((crank % 720) + 720) % 720)
  return rest < 30 ? rest + 720 : rest
}

/** Everything an inspection shows, entered as seen. */
export function entries(engine: PracticeCase, inspection: Inspection, stand: Stand): Move[] {
  const attempt = stand.looks.get(inspection.id) ?? 0
  const { figures, findings } = sightOf(engine, inspection, { attempt, turnedForward: stand.turnedForward })
  const read = (reading: Reading): Move => ({ type: 'read', inspection: inspection.id, reading })
  return [
    ...inspection.reads.map((reading, i) =>
      read({
        ...reading,
        ...(reading.notches === undefined ? { value: figures[i]! } : { notches: figures[i]! })
      } as Reading)
    ),
    ...findings.map((finding) => read({ kind: 'condition', ...finding }))
  ]
}

/** The reading that settles most for its minutes, as the core ranks it. */
function nextInspection(
  engine: PracticeCase,
  inspections: readonly Inspection[],
  stand: Stand,
  { next, decision }: Assessment
): Inspection | null {
  const minute = decision?.minute ?? 0
  const worth = next
    .filter(({ worth: saved = 0, minutes }) => saved > minute * minutes)
    .flatMap(({ kind, target, worth: saved = 0 }) => {
      const inspection = inspections.find(
        (one) => !stand.looks.has(one.id) && one.reads.some((r) => r.kind === kind && partOf(r) === target)
      )
      return inspection
        ? [
            {
              inspection,
              rate: saved / (inspection.minutes + accessMinutes(engine.drive, inspection.operations, stand.done))
            }
          ]
        : []
    })
  return worth.sort((a, b) => b.rate - a.rate)[0]?.inspection ?? null
}

/** Looks that cost only minutes, as what covers the part is off: cracks and loose pins are in no estimate. */
function inReach(inspections: readonly Inspection[], stand: Stand): Inspection | null {
  return (
    inspections.find(
      ({ id, kind, operations }) =>
        LOOKS.includes(kind) && !stand.looks.has(id) && operations.every((operation) => stand.done.has(operation))
    ) ?? null
  )
}

/** The cheapest look at a part that a call asks to look closer at, or that would be called without a look at it. */
function openQuestion(
  engine: PracticeCase,
  inspections: readonly Inspection[],
  stand: Stand,
  { calls }: Assessment
): Inspection | null {
  const seen = new Set(
    inspections.filter(({ id, kind }) => LOOKS.includes(kind) && stand.looks.has(id)).map(({ part }) => part)
  )
  const asked = calls.filter(({ call, part }) => call === 'look-closer' || !seen.has(part)).map(({ part }) => part)
  const cost = ({ minutes, operations }: Inspection) => minutes + accessMinutes(engine.drive, operations, stand.done)
  return (
    inspections
      .filter(({ id, part, kind }) => kind !== 'wheel' && asked.includes(part) && !stand.looks.has(id))
      .sort((a, b) => cost(a) - cost(b))[0] ?? null
  )
}

const LOOKS: readonly Inspection['kind'][] = [
  'push',
  'pad',
  'rail',
  'phaser',
  'pan',
  'oil',
  'extension',
  'pin',
  'teeth',
  'bench',
  'count',
  'compression',
  'trigger',
  'cover',
  'camshaft'
]
