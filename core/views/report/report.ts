import { SEVERITY, type Call } from '../../calls'
import { type Message, messagesOf } from '../../check'
import { explain, type Explanation, type NearJump, nearJumps } from '../../estimate'
import { NINETY } from '../../math'
import {
  type Assessment,
  CORE_VERSION,
  currencyOf,
  ownPath,
  type PathDifference,
  type Paths,
  pathsOf
} from '../../paths'
import { type JobFile, type NumericKind, type School, type Usage } from '../../readings'
import {
  type Act,
  foldActs,
  type HeldCall,
  heldCalls,
  jobFile,
  type JobRecord,
  type KeptJob,
  type Workshop
} from '../../record'
import { compileSheet, type DriveSheet, type LimitValue } from '../../sheet'
import { fills, slotsOf } from '../bench'
import { estimateOf } from '../estimate'
import { measuresOf } from '../summary'
import { type TracedCam, tracedCamsOf } from '../traces'
import { plainVerdict, type Statement } from '../verdict'

/** What may happen if nothing is done. */
export interface IfLeftSays {
  'must-not-run': { part: string }
  'comes-back': { part: string; odds: number; within: number; unit: string }
  'nothing-to-do': {}
  'valves-meet': {}
  'stop-gap': { accepted: string; usage: number | null; date: string | null }
  /** Of the slack that the nearest sprocket takes to be ridden over, there is so much. */
  'near-jump': { chain: string; sprocket: string; mean: number; low: number; high: number }
}

const ifLeftSay = messagesOf<IfLeftSays>()

/** A figure of a part as it was found, beside what it is new and its limit; lags are crank degrees with their sign. */
export interface ReportMeasure {
  kind: 'elongation' | 'extension' | 'groove' | 'camLag'
  part: string
  value: number
  low: number
  high: number
  asNew: number
  limit: LimitValue | null
  over: boolean
}

/** A way open to the customer. */
export interface ReportWay {
  /** The schools whose path it is; `own`: put together by the workshop. */
  schools: School[]
  own: boolean
  advised: boolean
  renew: string[]
  hours: number
  now: number
  comeBack: number
  expected: number
  differs: PathDifference | null
  /** Parts that the evidence leaves open and it keeps, and its price with all of them renewed. */
  undecided: { parts: string[]; atMost: number }
  /** With the workshop's tax, and at most; null where it sells without. */
  taxed: { gross: string; atMost: string } | null
}

/** All that a report tells, as codes and figures: the words and headings are put to it once, in the words folder. */
export interface ReportFacts {
  workshop: Workshop
  /** What prices are in. */
  currency: string
  job: Pick<KeptJob, 'vehicle' | 'complaint' | 'usage'>
  sheet: DriveSheet
  /** Revision of the workshop's sheet; null for one from a file. */
  sheetRevision: number | null
  /** Who last worked on it, and when (ISO). */
  by: string
  at: string
  happened: Statement[]
  /** The likeliest explanation of each train's readings, and the next. */
  explained: { chains: string[]; stories: Pick<Explanation, 'causes' | 'odds' | 'more'>[] }[]
  calls: HeldCall[]
  measures: ReportMeasure[]
  /** Cams as a trace of the running engine showed them, before and after. */
  traced: TracedCam[]
  /** `finding`: the one that is seen on it; left out where none is named. */
  photos: { id: string; part: string; note: string; finding?: string }[]
  ways: ReportWay[]
  /** Usage over which coming back counts; null without priced ways. */
  horizon: Usage | null
  ifLeft: Message[]
  /** Figures that nobody took, part by part. */
  notChecked: { part: string; kinds: NumericKind[] }[]
  core: string
  /** Revision of the newest sign-off. */
  signoff: number | null
}

/** What a customer is told of a job as it stands. */
export function reportFacts(
  job: KeptJob,
  acts: readonly Act[],
  assessment: Assessment,
  workshop: Workshop
): ReportFacts {
  const record = foldActs(acts, job.school)
  const file = jobFile(job, acts)
  const sheet = file.drive
  const held = heldCalls(assessment.calls, record.overrules).sort(
    (a, b) => SEVERITY.indexOf(b.holds) - SEVERITY.indexOf(a.holds)
  )
  const paths = pathsOf(file, assessment)
  const currency = currencyOf(file) || workshop.currency
  const last = acts.at(-1)
  const gross = (renew: readonly string[]) =>
    estimateOf(file, assessment, NOTHING_TYPED, { tax: workshop.tax, currency, renew }).sums.gross
  const taxedOf = ({ renew, undecided }: Pick<ReportWay, 'renew' | 'undecided'>): ReportWay['taxed'] =>
    workshop.tax.rates.length === 0 ? null : { gross: gross(renew), atMost: gross([...renew, ...undecided.parts]) }
  return {
    workshop,
    currency,
    job: { vehicle: job.vehicle, complaint: job.complaint, usage: file.usage },
    sheet,
    sheetRevision: job.sheetRevision ? (record.moved?.revision ?? job.sheetRevision) : null,
    by: last && last.type !== 'choice' ? last.by : job.openedBy,
    at: last?.at ?? job.openedAt,
    happened: plainVerdict(sheet, assessment),
    explained: explain(file).map(({ chains, stories }) => ({ chains, stories: stories.slice(0, 2) })),
    calls: held,
    measures: [...partMeasures(file, assessment, record), ...lagMeasures(sheet, assessment, record)],
    traced: tracedCamsOf(sheet, record, acts),
    photos: record.photos.map(({ photo, part, note, shows }) => ({
      id: photo,
      part,
      note: note ?? '',
      ...findingShown(record, shows)
    })),
    ways: paths ? waysOf(file, assessment, paths, record).map((way) => ({ ...way, taxed: taxedOf(way) })) : [],
    horizon: paths ? { value: paths.assumptions.horizon, unit: job.usage.unit } : null,
    ifLeft: [...stopGapLine(record), ...ifLeft(file, held, paths, nearJumps(file, assessment))],
    notChecked: listNotChecked(sheet, record),
    core: CORE_VERSION,
    signoff: record.signoffs.at(-1)?.revision ?? null
  }
}

/** The ways are compared without what was typed beside them. */
const NOTHING_TYPED = { choice: null, path: null, estimate: null }

function partMeasures(file: JobFile, assessment: Assessment, record: JobRecord): ReportMeasure[] {
  return measuresOf(file, assessment, record).map(({ kind, part, value, low, high, limit }) => ({
    kind,
    part,
    value,
    low: Math.max(0, low),
    high,
    limit,
    over: limit !== null && value > limit.value,
    asNew: kind === 'extension' ? (assessment.tensioners[part]?.budget[0]?.mm ?? 0) : 0
  }))
}

function lagMeasures(sheet: DriveSheet, { cams }: Assessment, { readings }: JobRecord): ReportMeasure[] {
  return Object.entries(cams)
    .filter(([id]) => readings.some((r) => r.kind === 'camLag' && r.sprocket === id))
    .map(
      ([
        part,
        {
          lag: { mean, sd }
        }
      ]) => {
        const limit = compileSheet(sheet).limit('camLag', part)
        return {
          kind: 'camLag',
          part,
          value: mean,
          low: mean - NINETY * sd,
          high: mean + NINETY * sd,
          asNew: 0,
          limit,
          over: limit !== null && Math.abs(mean) > limit.value
        }
      }
    )
}

function waysOf(
  file: JobFile,
  assessment: Assessment,
  { paths }: Paths,
  record: JobRecord
): Omit<ReportWay, 'taxed'>[] {
  const own = record.path ? ownPath(file, assessment, record.path.renew, record.path.partial !== undefined) : null
  const same = (a: readonly string[], b: readonly string[]) => a.length === b.length && a.every((id) => b.includes(id))
  const advised = own?.renew ?? paths.find(({ schools }) => schools.includes(file.school))?.renew ?? []
  // A page for a customer shows what differs: the schools' paths, the cheapest now, and what is advised.
  const shown = paths
    .filter((path, i) => path.schools.length > 0 || i === 0 || same(path.renew, advised))
    .map((path) => ({ ...path, own: false }))
  const all = [
    ...shown,
    ...(own && !shown.some((path) => same(path.renew, own.renew))
      ? [{ ...own, schools: [], differs: null, own: true }]
      : [])
  ]
  return all.map(({ schools, own: byHand, renew, cost, differs, undecided }): Omit<ReportWay, 'taxed'> => ({
    schools,
    own: byHand || (record.path !== null && schools.length === 0 && same(renew, advised)),
    advised: same(renew, advised),
    renew,
    hours: cost.hours,
    now: cost.now,
    comeBack: cost.comeBack,
    expected: cost.expected,
    differs,
    undecided
  }))
}

/** Calls that are the customer's to decide on. */
const BAD: readonly Call[] = ['renew', 'stop']

/** What may happen if nothing is done, from the parts that are condemned or held. */
function ifLeft(
  { drive, usage: { unit } }: JobFile,
  held: readonly HeldCall[],
  paths: Paths | null,
  near: readonly NearJump[]
): Message[] {
  const bad = held.filter(({ holds }) => BAD.includes(holds))
  if (bad.length === 0) return [ifLeftSay('nothing-to-do')]
  const lines = bad.flatMap(({ part, holds }) => {
    const kept = paths?.kept[part]
    if (holds === 'stop') return [ifLeftSay('must-not-run', { part })]
    return paths && kept
      ? [ifLeftSay('comes-back', { part, odds: kept.odds, within: paths.assumptions.horizon, unit })]
      : []
  })
  const all = [...lines, ...near.flatMap(nearLine)]
  return drive.engine.interference ? [...all, ifLeftSay('valves-meet')] : all
}

/** That what is advised is no repair, who accepted it, and when it is looked at again. */
function stopGapLine({ path, check }: JobRecord): Message[] {
  if (!path?.partial) return []
  return [
    ifLeftSay('stop-gap', {
      accepted: path.partial.accepted,
      usage: check?.usage ?? null,
      date: check?.date ?? null
    })
  ]
}

/** Of the slack it takes, from which a customer is told. */
const WORTH_TELLING = 0.1

/** How near a chain is to jumping, where readings tell it. */
function nearLine({ chain, told, sprockets: [nearest] }: NearJump): Message[] {
  if (!told || !nearest || nearest.mean < WORTH_TELLING) return []
  const { sprocket, mean, low, high } = nearest
  return [ifLeftSay('near-jump', { chain, sprocket, mean, low: Math.max(0, low), high })]
}

function listNotChecked(sheet: DriveSheet, { readings }: JobRecord): ReportFacts['notChecked'] {
  const byPart = new Map<string, Set<NumericKind>>()
  for (const slot of slotsOf(sheet))
    if (!readings.some((r) => fills(slot, r)))
      byPart.set(slot.part, (byPart.get(slot.part) ?? new Set()).add(slot.kind))
  return [...byPart].map(([part, kinds]) => ({ part, kinds: [...kinds] }))
}

/** The finding that a photo is linked to, as long as it stands. */
function findingShown({ readings }: JobRecord, shows: string | undefined): { finding?: string } {
  const found = readings.find(({ id }) => id === shows)
  return found?.kind === 'condition' ? { finding: found.finding } : {}
}
