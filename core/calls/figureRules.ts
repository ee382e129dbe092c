import { cylinderPattern, figureOf, findingsIn, heldAgainst, type KnownReading } from '../readings'
import { idsOf, isAtOdds, type RuleContext, shownLimit } from './context'
import { say } from './says'
import type { Call, Finding } from './types'

/** What a figure past its limit makes of the part it was read on. */
const PAST: Readonly<Record<string, Call>> = {
  'spring-length': 'renew',
  'spring-force': 'renew',
  'solenoid-ohms': 'renew'
}

/**
 * Findings that come with a figure against the sheet's limit for it (spring, solenoid, oil pressure, a bolt's torque as
 * found …). Without a limit it passes nothing; cylinders are judged together (cylindersTogether).
 */
export function figuredFindings(context: RuleContext): Finding[] {
  const { job } = context
  return job.readings.flatMap((reading): Finding[] => {
    if (reading.kind !== 'condition' || reading.value === undefined) return []
    const spec = figureOf(reading.finding)
    if (!spec?.limit || spec.perCylinder) return []
    const held = heldAgainst(job.drive, reading)
    const { finding, value, target: part } = reading
    const base = { part, rule: `figure-${finding}`, readings: [reading.id] }
    if (!held) return [{ ...base, limit: null, call: 'look-closer', ...say('figure-no-limit', { finding, value }) }]
    const { limit, past } = held
    return [
      {
        ...base,
        limit: shownLimit(finding, limit),
        call: past ? (PAST[finding] ?? 'look-closer') : 'back-in',
        ...say('figure', { finding, value, limit: limit.value, least: limit.least ?? null, past })
      }
    ]
  })
}

/** What compression or leak-down of the cylinders says together: whose doing the pattern is. */
export function cylindersTogether(context: RuleContext): Finding[] {
  const found = cylinderPattern(context.job.drive, context.job.readings)
  if (!found) return []
  const { pattern, low, complete, readings } = found
  return [
    {
      part: 'engine',
      rule: 'cylinders',
      call: pattern === 'even' && complete ? 'back-in' : 'look-closer',
      ...say('cylinders', { pattern, low, complete }),
      readings: [...readings],
      limit: null
    }
  ]
}

/** What says that compression or leak-down is sound: said so, or every cylinder measured and within its limit. */
export function soundCompression({ job }: RuleContext): string[] {
  const found = cylinderPattern(job.drive, job.readings)
  return [
    ...findingsIn(job.readings, ['compression-sound']),
    ...(found?.complete && found.pattern === 'even' ? found.readings : [])
  ]
}

/**
 * What the engine computer says of a cam in a warm idle against its own limit, which is another than the marks'. It
 * condemns nothing by itself: the marks are read then.
 */
export function scanLimit(context: RuleContext): Finding[] {
  const scans = context.job.readings.flatMap((r) =>
    r.kind === 'camLag' && r.method === 'scan' && !context.leftOut.has(r.id) && !isAtOdds(context, r.id) ? [r] : []
  )
  const latest = new Map(scans.map((reading) => [reading.sprocket, reading]))
  return [...latest].flatMap(([part, reading]): Finding[] => {
    const limit = context.sheet.limit('camLagScan', part)
    if (!limit || Math.abs(reading.value) <= limit.value || readAtMarks(context, part).length > 0) return []
    return [
      {
        part,
        rule: 'scan-limit',
        call: 'look-closer',
        ...say('scan-limit', { lag: reading.value, limit: limit.value }),
        readings: idsOf([reading]),
        limit: shownLimit('camLagScan', limit),
        settle: { kind: 'camLag', target: part }
      }
    ]
  })
}

/** Lags of a cam that were read on the engine itself. */
function readAtMarks({ job }: RuleContext, part: string): KnownReading[] {
  return job.readings.filter((r) => r.kind === 'camLag' && r.sprocket === part && r.method !== 'scan')
}
